package prolalia.app.stage;

import java.util.List;
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

    /** @param areas where each of them stands from now on, in their order */
    @PutMapping
    List<PlacedWord> move(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String ownerId,
            @PathVariable String lineId,
            @RequestBody List<Area> areas) {
        return editor.move(teacher.actor(), id, ownerId, lineId, areas);
    }

    /** @param part of the page where they are looked for */
    @PostMapping
    List<PlacedWord> find(
            @AuthenticationPrincipal SignedInTeacher teacher,
            @PathVariable String id,
            @PathVariable String ownerId,
            @PathVariable String lineId,
            @RequestBody Area part) {
        return editor.find(teacher.actor(), id, ownerId, lineId, part);
    }
}
