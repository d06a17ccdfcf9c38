package prolalia.app.stage;

import static org.jooq.impl.DSL.select;
import static prolalia.app.platform.db.Tables.PAGE;
import static prolalia.app.platform.db.Tables.STAGE;
import static prolalia.app.platform.db.Tables.STAGE_PICTURE;
import static prolalia.app.platform.db.Tables.STAGE_VERSION;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.access.LessonRef;
import prolalia.app.history.StageVersions;
import prolalia.core.page.PageElement;
import prolalia.core.page.PageSettings;
import prolalia.core.page.Placed;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** What is placed on pages, and on every page of a lesson, in versions. Their owner is the page, or the lesson. */
@Repository
class StageStore implements StageVersions {
    /** Changes that can be taken back. */
    private static final int MOST_VERSIONS = 200;

    private static final TypeReference<List<PageElement>> THINGS = new TypeReference<>() {};

    private final DSLContext writing;
    private final DSLContext looking;
    private final JsonMapper json;

    StageStore(DSLContext writing, @Qualifier("looking") DSLContext looking, JsonMapper json) {
        this.writing = writing;
        this.looking = looking;
        this.json = json;
    }

    /**
     * A stage as it stands.
     *
     * @param version counts from 0, an empty stage
     */
    record StoredStage(Placed placed, int version) {}

    StoredStage stage(String ownerId) {
        return looking.select(STAGE.VERSION, STAGE_VERSION.THINGS, STAGE_VERSION.MANNER)
                .from(STAGE)
                .leftJoin(STAGE_VERSION)
                .on(STAGE_VERSION.OWNER_ID.eq(STAGE.OWNER_ID), STAGE_VERSION.NUMBER.eq(STAGE.VERSION))
                .where(STAGE.OWNER_ID.eq(ownerId))
                .fetchOptional()
                .map(row -> new StoredStage(placed(row), row.get(STAGE.VERSION)))
                .orElseGet(() -> new StoredStage(Placed.NOTHING, 0));
    }

    /** What is placed on the pages of a lesson, by page, and on all of them, by the lesson's own id. */
    Map<String, Placed> ofLesson(LessonRef lesson) {
        return looking
                .select(STAGE.OWNER_ID, STAGE_VERSION.THINGS, STAGE_VERSION.MANNER)
                .from(STAGE)
                .join(STAGE_VERSION)
                .on(STAGE_VERSION.OWNER_ID.eq(STAGE.OWNER_ID), STAGE_VERSION.NUMBER.eq(STAGE.VERSION))
                .where(STAGE.OWNER_ID
                        .eq(lesson.id())
                        .or(STAGE.OWNER_ID.in(select(PAGE.ID).from(PAGE).where(PAGE.LESSON_ID.eq(lesson.id())))))
                .fetch()
                .stream()
                .collect(Collectors.toMap(row -> row.get(STAGE.OWNER_ID), this::placed));
    }

    private Placed placed(Record row) {
        String things = row.get(STAGE_VERSION.THINGS);
        return things == null
                ? Placed.NOTHING
                : new Placed(
                        json.readValue(things, THINGS),
                        json.readValue(row.get(STAGE_VERSION.MANNER), PageSettings.class));
    }

    /** Makes this the version that holds; versions that were taken back are gone then. */
    void save(String ownerId, int number, Placed placed) {
        writing.deleteFrom(STAGE_VERSION)
                .where(
                        STAGE_VERSION.OWNER_ID.eq(ownerId),
                        STAGE_VERSION.NUMBER.ge(number).or(STAGE_VERSION.NUMBER.le(number - MOST_VERSIONS)))
                .execute();
        writing.insertInto(STAGE_VERSION)
                .set(STAGE_VERSION.OWNER_ID, ownerId)
                .set(STAGE_VERSION.NUMBER, number)
                .set(STAGE_VERSION.THINGS, json.writerFor(THINGS).writeValueAsString(placed.things()))
                .set(STAGE_VERSION.MANNER, json.writeValueAsString(placed.manner()))
                .execute();
        hold(ownerId, number);
    }

    /** Whether a version is there to go back or forward to; 0, the empty stage, always is, unless it is too long ago. */
    @Override
    public boolean has(String ownerId, int number) {
        return number >= 0
                && (writing.fetchExists(
                                STAGE_VERSION, STAGE_VERSION.OWNER_ID.eq(ownerId), STAGE_VERSION.NUMBER.eq(number))
                        || number == 0
                                && writing.fetchExists(
                                        STAGE_VERSION, STAGE_VERSION.OWNER_ID.eq(ownerId), STAGE_VERSION.NUMBER.eq(1)));
    }

    @Override
    public int version(String ownerId) {
        return writing.select(STAGE.VERSION)
                .from(STAGE)
                .where(STAGE.OWNER_ID.eq(ownerId))
                .fetchOptional(STAGE.VERSION)
                .orElse(0);
    }

    @Override
    public void hold(String ownerId, int number) {
        writing.insertInto(STAGE)
                .set(STAGE.OWNER_ID, ownerId)
                .set(STAGE.VERSION, number)
                .onConflict(STAGE.OWNER_ID)
                .doUpdate()
                .set(STAGE.VERSION, number)
                .execute();
    }

    /** From now on a picture may be placed on the pages of a lesson. */
    void addPicture(LessonRef lesson, String hash, String type) {
        writing.insertInto(STAGE_PICTURE)
                .set(STAGE_PICTURE.LESSON_ID, lesson.id())
                .set(STAGE_PICTURE.HASH, hash)
                .set(STAGE_PICTURE.TYPE, type)
                .onConflictDoNothing()
                .execute();
    }

    /** The media types of the pictures that may be placed on the pages of a lesson, by their names. */
    Map<String, String> pictures(LessonRef lesson) {
        return looking.selectFrom(STAGE_PICTURE)
                .where(STAGE_PICTURE.LESSON_ID.eq(lesson.id()))
                .fetchMap(STAGE_PICTURE.HASH, STAGE_PICTURE.TYPE);
    }
}
