package prolalia.app.stage;

import static org.jooq.impl.DSL.max;
import static prolalia.app.house.db.Tables.PAGE;
import static prolalia.app.house.db.Tables.STAGE;
import static prolalia.app.house.db.Tables.STAGE_VERSION;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.core.page.Thing;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** What is placed on pages, in versions. */
@Repository
class StageStore {
    /** Changes of a page that can be taken back. */
    private static final int MOST_VERSIONS = 200;

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
     * @param newest the newest version; later than {@code version} when changes were taken back
     */
    record StoredStage(List<Thing> things, int version, int newest) {}

    StoredStage stage(String pageId) {
        return writing.select(STAGE.VERSION, STAGE_VERSION.THINGS)
                .from(STAGE)
                .leftJoin(STAGE_VERSION)
                .on(STAGE_VERSION.PAGE_ID.eq(STAGE.PAGE_ID), STAGE_VERSION.NUMBER.eq(STAGE.VERSION))
                .where(STAGE.PAGE_ID.eq(pageId))
                .fetchOptional()
                .map(row ->
                        new StoredStage(things(row.get(STAGE_VERSION.THINGS)), row.get(STAGE.VERSION), newest(pageId)))
                .orElseGet(() -> new StoredStage(List.of(), 0, 0));
    }

    /** What is placed on the pages of a lesson, by page. */
    Map<String, List<Thing>> ofLesson(String lessonId) {
        return looking
                .select(STAGE.PAGE_ID, STAGE_VERSION.THINGS)
                .from(STAGE)
                .join(STAGE_VERSION)
                .on(STAGE_VERSION.PAGE_ID.eq(STAGE.PAGE_ID), STAGE_VERSION.NUMBER.eq(STAGE.VERSION))
                .join(PAGE)
                .on(PAGE.ID.eq(STAGE.PAGE_ID))
                .where(PAGE.LESSON_ID.eq(lessonId))
                .fetch()
                .stream()
                .collect(Collectors.toMap(row -> row.get(STAGE.PAGE_ID), row -> things(row.get(STAGE_VERSION.THINGS))));
    }

    private int newest(String pageId) {
        return writing.select(max(STAGE_VERSION.NUMBER))
                .from(STAGE_VERSION)
                .where(STAGE_VERSION.PAGE_ID.eq(pageId))
                .fetchOptional(0, Integer.class)
                .orElse(0);
    }

    private List<Thing> things(String stored) {
        return stored == null
                ? List.of()
                : json.readValue(stored, new TypeReference<List<StoredThing>>() {}).stream()
                        .map(StoredThing::thing)
                        .toList();
    }

    /** Makes this the version that holds; versions that were taken back are gone then. */
    void save(String pageId, int number, List<Thing> things) {
        writing.deleteFrom(STAGE_VERSION)
                .where(
                        STAGE_VERSION.PAGE_ID.eq(pageId),
                        STAGE_VERSION.NUMBER.ge(number).or(STAGE_VERSION.NUMBER.le(number - MOST_VERSIONS)))
                .execute();
        writing.insertInto(STAGE_VERSION)
                .set(STAGE_VERSION.PAGE_ID, pageId)
                .set(STAGE_VERSION.NUMBER, number)
                .set(
                        STAGE_VERSION.THINGS,
                        json.writeValueAsString(
                                things.stream().map(StoredThing::of).toList()))
                .execute();
        hold(pageId, number);
    }

    /** Whether a version is there to go back or forward to; 0, the empty stage, always is, unless it is too long ago. */
    boolean has(String pageId, int number) {
        return number >= 0
                && (writing.fetchExists(
                                STAGE_VERSION, STAGE_VERSION.PAGE_ID.eq(pageId), STAGE_VERSION.NUMBER.eq(number))
                        || number == 0
                                && writing.fetchExists(
                                        STAGE_VERSION, STAGE_VERSION.PAGE_ID.eq(pageId), STAGE_VERSION.NUMBER.eq(1)));
    }

    void hold(String pageId, int number) {
        writing.insertInto(STAGE)
                .set(STAGE.PAGE_ID, pageId)
                .set(STAGE.VERSION, number)
                .onConflict(STAGE.PAGE_ID)
                .doUpdate()
                .set(STAGE.VERSION, number)
                .execute();
    }
}
