package prolalia.app.bench;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import prolalia.app.bench.EditStore.TakeEdits;
import prolalia.core.sound.Span;
import prolalia.core.sound.edit.Edit;

/** The edits that takes have when a lesson goes out whole, and comes back. */
@Component
public class TakeEditTransfer {
    private final EditStore edits;

    TakeEditTransfer(EditStore edits) {
        this.edits = edits;
    }

    /** @param trim what was kept of the original before the first edit */
    public record Held(Span trim, List<Edit> edits) {}

    /** Empty when the take was never edited. */
    public Optional<Held> of(String takeId) {
        return edits.of(takeId)
                .map(held -> new Held(
                        held.trim(),
                        held.edits().subList(0, held.made()).stream()
                                .map(StoredEdit::edit)
                                .toList()));
    }

    /** Gives a take the edits that it already sounds as. */
    public void bringIn(String takeId, Held held) {
        List<StoredEdit> stored = held.edits().stream().map(StoredEdit::of).toList();
        TakeEdits all = new TakeEdits(takeId, stored, stored.size(), held.trim());
        edits.save(all);
        edits.setRendered(all);
    }
}
