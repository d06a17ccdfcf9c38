package prolalia.app.school;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Map;
import org.springframework.http.CacheControl;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Tells a page that needs a microphone where it would be given one. */
@RestController
class SecureAddressController {
    private final SchoolAddress addresses;

    SecureAddressController(SchoolAddress addresses) {
        this.addresses = addresses;
    }

    @GetMapping("/secure-address")
    ResponseEntity<Map<String, String>> secure(HttpServletRequest request) {
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noStore())
                .body(Map.of("address", addresses.secure(request).orElse("")));
    }
}
