package prolalia.app.lines;

import static org.jooq.impl.DSL.exists;
import static org.jooq.impl.DSL.notExists;
import static org.jooq.impl.DSL.select;
import static org.jooq.impl.DSL.selectOne;
import static prolalia.app.platform.db.Tables.KEPT_TAKE;
import static prolalia.app.platform.db.Tables.LINE;
import static prolalia.app.platform.db.Tables.TAKE;

import java.util.Collection;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.platform.KeptTakes;
import prolalia.app.platform.db.tables.KeptTake;

/** Which take is kept on a line, one for each voice. */
@Repository
class KeptTakeStore {
    private final DSLContext writing;
    private final DSLContext looking;

    KeptTakeStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    /** Whether nothing sounds for a line in a voice. */
    boolean isSilent(String lineId, String voice) {
        return looking.select(KeptTakes.of(LINE.ID, voice))
                        .from(LINE)
                        .where(LINE.ID.eq(lineId))
                        .fetchOne(0, String.class)
                == null;
    }

    /** @param takeId it sounds in its own voice from now on; null: the line is silent in the main one */
    void set(String lineId, String takeId) {
        if (takeId == null) {
            writing.deleteFrom(KEPT_TAKE)
                    .where(KEPT_TAKE.LINE_ID.eq(lineId), KEPT_TAKE.VOICE.eq(KeptTakes.MAIN_VOICE))
                    .execute();
        } else {
            writing.insertInto(KEPT_TAKE)
                    .set(KEPT_TAKE.LINE_ID, lineId)
                    .set(KEPT_TAKE.VOICE, select(TAKE.VOICE).from(TAKE).where(TAKE.ID.eq(takeId)))
                    .set(KEPT_TAKE.TAKE_ID, takeId)
                    .onConflict(KEPT_TAKE.LINE_ID, KEPT_TAKE.VOICE)
                    .doUpdate()
                    .setAllToExcluded()
                    .execute();
        }
    }

    /** Nothing is heard any more wherever a take was. */
    void silence(String takeId) {
        writing.deleteFrom(KEPT_TAKE).where(KEPT_TAKE.TAKE_ID.eq(takeId)).execute();
    }

    /** Whether something else sounds for {@code LINE} than for another line, in whatever voice. */
    static Condition isOtherThan(String lineId) {
        KeptTake at = KEPT_TAKE.as("at");
        KeptTake here = KEPT_TAKE.as("here");
        Condition same = here.LINE_ID.eq(lineId).and(here.VOICE.eq(at.VOICE)).and(here.TAKE_ID.eq(at.TAKE_ID));
        return exists(selectOne()
                        .from(at)
                        .where(
                                at.LINE_ID.eq(LINE.ID),
                                notExists(selectOne().from(here).where(same))))
                .or(exists(selectOne()
                        .from(here)
                        .where(
                                here.LINE_ID.eq(lineId),
                                notExists(selectOne().from(at).where(at.LINE_ID.eq(LINE.ID), same)))));
    }

    /** What sounds for a line sounds for others from now on, in all its voices. */
    void copy(String lineId, Collection<String> toLines) {
        writing.deleteFrom(KEPT_TAKE).where(KEPT_TAKE.LINE_ID.in(toLines)).execute();
        KeptTake here = KEPT_TAKE.as("here");
        writing.insertInto(KEPT_TAKE, KEPT_TAKE.LINE_ID, KEPT_TAKE.VOICE, KEPT_TAKE.TAKE_ID)
                .select(select(LINE.ID, here.VOICE, here.TAKE_ID)
                        .from(LINE)
                        .join(here)
                        .on(here.LINE_ID.eq(lineId))
                        .where(LINE.ID.in(toLines)))
                .execute();
    }
}
