package prolalia.app.follow;

import static prolalia.app.house.db.Tables.WORD_TIMES;

import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.core.align.WordTimes.Word;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The times of words, by the sound in which they are said. */
@Repository
class WordTimeStore {
    private static final TypeReference<List<Word>> WORDS = new TypeReference<>() {};

    private final DSLContext writing;
    private final DSLContext looking;
    private final JsonMapper json;

    WordTimeStore(DSLContext writing, @Qualifier("looking") DSLContext looking, JsonMapper json) {
        this.writing = writing;
        this.looking = looking;
        this.json = json;
    }

    Optional<List<Word>> find(String soundHash, String words) {
        return looking.select(WORD_TIMES.TIMES)
                .from(WORD_TIMES)
                .where(WORD_TIMES.SOUND_HASH.eq(soundHash), WORD_TIMES.WORDS.eq(words))
                .fetchOptional(row -> json.readValue(row.get(WORD_TIMES.TIMES), WORDS));
    }

    boolean isMended(String soundHash, String words) {
        return looking.fetchExists(
                WORD_TIMES,
                WORD_TIMES.SOUND_HASH.eq(soundHash),
                WORD_TIMES.WORDS.eq(words),
                WORD_TIMES.MENDED.isTrue());
    }

    /** Times that a teacher mended take the place of those that were there. */
    void mend(String soundHash, String words, List<Word> times) {
        String mended = json.writeValueAsString(times);
        writing.insertInto(WORD_TIMES)
                .set(WORD_TIMES.SOUND_HASH, soundHash)
                .set(WORD_TIMES.WORDS, words)
                .set(WORD_TIMES.TIMES, mended)
                .set(WORD_TIMES.MENDED, true)
                .onConflict(WORD_TIMES.SOUND_HASH, WORD_TIMES.WORDS)
                .doUpdate()
                .set(WORD_TIMES.TIMES, mended)
                .set(WORD_TIMES.MENDED, true)
                .execute();
    }

    void forget(String soundHash, String words) {
        writing.deleteFrom(WORD_TIMES)
                .where(WORD_TIMES.SOUND_HASH.eq(soundHash), WORD_TIMES.WORDS.eq(words))
                .execute();
    }

    void keep(String soundHash, String words, List<Word> times) {
        writing.insertInto(WORD_TIMES)
                .set(WORD_TIMES.SOUND_HASH, soundHash)
                .set(WORD_TIMES.WORDS, words)
                .set(WORD_TIMES.TIMES, json.writeValueAsString(times))
                .onConflictDoNothing()
                .execute();
    }
}
