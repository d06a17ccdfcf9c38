package prolalia.app.stage;

import java.util.List;
import java.util.Objects;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prolalia.app.account.SignedInTeacher;
import prolalia.core.place.Area;
import prolalia.core.place.WordPlaces.PlacedWord;

/** Where the words of a line stand on its page. */
@RestController
@RequestMapping("/lessons/{id}/stages/{ownerId}/words/{lineId}")
class WordPlaceController {
    private final WordPlaceEditor editor;

    WordPlaceController(WordPlaceEditor editor) {
        this.editor = editor;
    }

    @GetMapping
    List<PlacedWord> words(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String ownerId,
            @PathVariable String lineId) {
        return editor.words(teacher.actor(), id, ownerId, lineId);
    }

    /**
     * @param seen where each of them stood for the one who moves them
     * @param areas where each of them stands from now on, in their order
     */
    record Moved(List<PlacedWord> seen, List<Area> areas) {
        Moved {
            seen = List.copyOf(seen);
            areas = List.copyOf(areas);
        }
    }

    @PutMapping
    List<PlacedWord> move(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String ownerId,
            @PathVariable String lineId,
            @RequestBody Moved moved) {
        return editor.move(teacher.actor(), id, ownerId, lineId, moved.seen(), moved.areas());
    }

    /**
     * @param seen where each of them stood for the one who asks
     * @param part of the page where they are looked for
     */
    record Sought(List<PlacedWord> seen, Area part) {
        Sought {
            seen = List.copyOf(seen);
            Objects.requireNonNull(part);
        }
    }

    @PostMapping
    List<PlacedWord> find(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String ownerId,
            @PathVariable String lineId,
            @RequestBody Sought sought) {
        return editor.find(teacher.actor(), id, ownerId, lineId, sought.seen(), sought.part());
    }
}
