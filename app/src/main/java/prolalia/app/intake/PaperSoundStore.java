package prolalia.app.intake;

import static prolalia.app.platform.db.Tables.PAPER_SOUND;

import java.util.List;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;

/** Sounds of papers that are still to become takes. */
@Repository
class PaperSoundStore {
    private final DSLContext writing;
    private final DSLContext looking;

    PaperSoundStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    /** @param number within the paper */
    record PaperSound(String paperId, int number, String lineId, String name, String rawHash) {}

    void add(PaperSound sound) {
        writing.insertInto(PAPER_SOUND)
                .set(PAPER_SOUND.PAPER_ID, sound.paperId())
                .set(PAPER_SOUND.NUMBER, sound.number())
                .set(PAPER_SOUND.LINE_ID, sound.lineId())
                .set(PAPER_SOUND.NAME, sound.name())
                .set(PAPER_SOUND.RAW_HASH, sound.rawHash())
                .execute();
    }

    List<PaperSound> of(String paperId) {
        return looking.selectFrom(PAPER_SOUND)
                .where(PAPER_SOUND.PAPER_ID.eq(paperId))
                .orderBy(PAPER_SOUND.NUMBER)
                .fetch(row -> new PaperSound(
                        row.getPaperId(), row.getNumber(), row.getLineId(), row.getName(), row.getRawHash()));
    }

    /** The papers that have some. */
    List<String> waiting() {
        return looking.selectDistinct(PAPER_SOUND.PAPER_ID).from(PAPER_SOUND).fetch(PAPER_SOUND.PAPER_ID);
    }

    void remove(PaperSound sound) {
        writing.deleteFrom(PAPER_SOUND)
                .where(PAPER_SOUND.PAPER_ID.eq(sound.paperId()), PAPER_SOUND.NUMBER.eq(sound.number()))
                .execute();
    }
}
