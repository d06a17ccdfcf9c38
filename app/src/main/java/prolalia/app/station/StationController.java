package prolalia.app.station;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import prolalia.app.account.SignedInTeacher;

@Controller
class StationController {
    private final StationService stations;

    StationController(StationService stations) {
        this.stations = stations;
    }

    /** A set of stations for a room. */
    @PostMapping("/stations")
    String make(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @RequestParam(defaultValue = "") String title,
            @RequestParam(defaultValue = "5") int count) {
        return "redirect:/lessons/" + stations.makeSet(teacher.actor(), title, count);
    }
}
