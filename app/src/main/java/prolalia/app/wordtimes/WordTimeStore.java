package prolalia.app.wordtimes;

import static org.jooq.impl.DSL.notExists;
import static org.jooq.impl.DSL.selectOne;
import static prolalia.app.platform.db.Tables.LINE;
import static prolalia.app.platform.db.Tables.TAKE;
import static prolalia.app.platform.db.Tables.TAKE_WORD_TIMES;
import static prolalia.app.platform.db.Tables.WORD_TIMES;

import java.util.List;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.platform.KeptTakes;
import prolalia.core.align.WordTimes.Word;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * The times of words: those that were found, by the sound in which they are said; and those that belong to a take, since its
 * teacher mended them or they came with it, which hold before the others.
 */
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

    Optional<List<Word>> find(String takeId, String soundHash, String words) {
        return looking.select(TAKE_WORD_TIMES.TIMES)
                .from(TAKE_WORD_TIMES)
                .where(TAKE_WORD_TIMES.TAKE_ID.eq(takeId), TAKE_WORD_TIMES.WORDS.eq(words))
                .fetchOptional(row -> json.readValue(row.get(TAKE_WORD_TIMES.TIMES), WORDS))
                .or(() -> looking.select(WORD_TIMES.TIMES)
                        .from(WORD_TIMES)
                        .where(WORD_TIMES.SOUND_HASH.eq(soundHash), WORD_TIMES.WORDS.eq(words))
                        .fetchOptional(row -> json.readValue(row.get(WORD_TIMES.TIMES), WORDS)));
    }

    /** A take that is heard in a line. */
    record Heard(String takeId, String takeWords, String soundHash, String words) {}

    /** The lines in which a take is heard. */
    List<Heard> heard(String takeId) {
        return heard(TAKE.ID.eq(takeId));
    }

    /** The lines whose times nobody found out as yet. */
    List<Heard> unknown() {
        return heard(notExists(selectOne()
                        .from(WORD_TIMES)
                        .where(WORD_TIMES.SOUND_HASH.eq(TAKE.SOUND_HASH), WORD_TIMES.WORDS.eq(LINE.WORDS)))
                .and(notExists(selectOne()
                        .from(TAKE_WORD_TIMES)
                        .where(TAKE_WORD_TIMES.TAKE_ID.eq(TAKE.ID), TAKE_WORD_TIMES.WORDS.eq(LINE.WORDS)))));
    }

    private List<Heard> heard(Condition condition) {
        return looking.select(TAKE.ID, TAKE.WORDS, TAKE.SOUND_HASH, LINE.WORDS)
                .from(LINE)
                .join(TAKE)
                .on(TAKE.ID.eq(KeptTakes.of(LINE.ID)))
                .where(condition, LINE.REMOVED_AT.isNull(), TAKE.SOUND_HASH.ne(TAKE.ORIGINAL_HASH))
                .fetch(row -> new Heard(
                        row.get(TAKE.ID), row.get(TAKE.WORDS), row.get(TAKE.SOUND_HASH), row.get(LINE.WORDS)));
    }

    boolean isMended(String takeId, String words) {
        return looking.fetchExists(
                TAKE_WORD_TIMES,
                TAKE_WORD_TIMES.TAKE_ID.eq(takeId),
                TAKE_WORD_TIMES.WORDS.eq(words),
                TAKE_WORD_TIMES.MENDED.isTrue());
    }

    /**
     * Gives a take times of its own, in place of those that it had.
     *
     * @param mended whether its teacher changed them
     */
    void give(String takeId, String words, List<Word> times, boolean mended) {
        String given = json.writeValueAsString(times);
        writing.insertInto(TAKE_WORD_TIMES)
                .set(TAKE_WORD_TIMES.TAKE_ID, takeId)
                .set(TAKE_WORD_TIMES.WORDS, words)
                .set(TAKE_WORD_TIMES.TIMES, given)
                .set(TAKE_WORD_TIMES.MENDED, mended)
                .onConflict(TAKE_WORD_TIMES.TAKE_ID, TAKE_WORD_TIMES.WORDS)
                .doUpdate()
                .set(TAKE_WORD_TIMES.TIMES, given)
                .set(TAKE_WORD_TIMES.MENDED, mended)
                .execute();
    }

    /** From now on a take has the times that are found in its sound. */
    void forget(String takeId, String words) {
        writing.deleteFrom(TAKE_WORD_TIMES)
                .where(TAKE_WORD_TIMES.TAKE_ID.eq(takeId), TAKE_WORD_TIMES.WORDS.eq(words))
                .execute();
    }

    /** Keeps what was found, unless somebody else found it meanwhile. */
    void keep(String soundHash, String words, List<Word> times) {
        writing.insertInto(WORD_TIMES)
                .set(WORD_TIMES.SOUND_HASH, soundHash)
                .set(WORD_TIMES.WORDS, words)
                .set(WORD_TIMES.TIMES, json.writeValueAsString(times))
                .onConflictDoNothing()
                .execute();
    }
}
