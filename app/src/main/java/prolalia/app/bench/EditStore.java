package prolalia.app.bench;

import static prolalia.app.platform.db.Tables.TAKE_EDITS;

import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.platform.db.tables.records.TakeEditsRecord;
import prolalia.core.sound.Span;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The edits of each take. */
@Repository
class EditStore {
    private final DSLContext writing;
    private final DSLContext looking;
    private final JsonMapper json;

    EditStore(DSLContext writing, @Qualifier("looking") DSLContext looking, JsonMapper json) {
        this.writing = writing;
        this.looking = looking;
        this.json = json;
    }

    /**
     * The edits of a take.
     *
     * @param made how many of them hold; the others were undone
     * @param trim what was kept before the first edit
     */
    record TakeEdits(String takeId, List<StoredEdit> edits, int made, Span trim) {}

    Optional<TakeEdits> of(String takeId) {
        return looking.selectFrom(TAKE_EDITS)
                .where(TAKE_EDITS.TAKE_ID.eq(takeId))
                .fetchOptional(this::edits);
    }

    /** From now on these hold, and the take is to be rendered. */
    void save(TakeEdits edits) {
        String list = json.writeValueAsString(edits.edits());
        writing.insertInto(TAKE_EDITS)
                .set(TAKE_EDITS.TAKE_ID, edits.takeId())
                .set(TAKE_EDITS.EDITS, list)
                .set(TAKE_EDITS.MADE, edits.made())
                .set(TAKE_EDITS.TRIM_START_MS, edits.trim().startMs())
                .set(TAKE_EDITS.TRIM_END_MS, edits.trim().endMs())
                .set(TAKE_EDITS.RENDERED, false)
                .onConflict(TAKE_EDITS.TAKE_ID)
                .doUpdate()
                .set(TAKE_EDITS.EDITS, list)
                .set(TAKE_EDITS.MADE, edits.made())
                .set(TAKE_EDITS.RENDERED, false)
                .execute();
    }

    /** The takes that don't sound yet as their edits say. */
    List<String> unrendered() {
        return looking.select(TAKE_EDITS.TAKE_ID)
                .from(TAKE_EDITS)
                .where(TAKE_EDITS.RENDERED.isFalse())
                .fetch(TAKE_EDITS.TAKE_ID);
    }

    boolean isRendered(String takeId) {
        return looking.select(TAKE_EDITS.RENDERED)
                .from(TAKE_EDITS)
                .where(TAKE_EDITS.TAKE_ID.eq(takeId))
                .fetchOptional(TAKE_EDITS.RENDERED)
                .orElse(true);
    }

    /** Marks a take rendered, unless it was edited again meanwhile; answers whether it did. */
    boolean setRendered(TakeEdits edits) {
        return writing.update(TAKE_EDITS)
                        .set(TAKE_EDITS.RENDERED, true)
                        .where(
                                TAKE_EDITS.TAKE_ID.eq(edits.takeId()),
                                TAKE_EDITS.MADE.eq(edits.made()),
                                TAKE_EDITS.EDITS.eq(json.writeValueAsString(edits.edits())))
                        .execute()
                == 1;
    }

    private TakeEdits edits(TakeEditsRecord row) {
        return new TakeEdits(
                row.getTakeId(),
                json.readValue(row.getEdits(), new TypeReference<List<StoredEdit>>() {}),
                row.getMade(),
                new Span(row.getTrimStartMs(), row.getTrimEndMs()));
    }
}
