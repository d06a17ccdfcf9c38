package prolalia.app.reading;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import org.springframework.core.io.Resource;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import prolalia.app.pages.PagePictures;

/** What a phone that is the microphone of a read-through sees beside the words. */
@Controller
class PhonePictureController {
    private final PhoneRights rights;
    private final PagePictures pictures;

    PhonePictureController(PhoneRights rights, PagePictures pictures) {
        this.rights = rights;
        this.pictures = pictures;
    }

    /** The picture of a page that has lines of the read-through. */
    @GetMapping("/phone/{token}/pictures/{hash}")
    ResponseEntity<Resource> picture(@PathVariable String token, @PathVariable String hash, HttpServletRequest request)
            throws IOException {
        return pictures.serve(rights.toSee(token, hash), hash, request);
    }
}
