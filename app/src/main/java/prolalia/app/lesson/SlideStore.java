package prolalia.app.lesson;

import static prolalia.app.platform.db.Tables.PAGE;
import static prolalia.app.platform.db.Tables.PAGE_SLIDE;

import java.util.Map;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;

/** The slides that pages were made of. */
@Repository
public class SlideStore {
    private final DSLContext writing;
    private final DSLContext looking;

    SlideStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    /** @param deckHash of the PPTX @param number from 1 */
    public record PageSlide(String deckHash, int number) {}

    public void add(String pageId, PageSlide slide) {
        writing.insertInto(PAGE_SLIDE)
                .set(PAGE_SLIDE.PAGE_ID, pageId)
                .set(PAGE_SLIDE.DECK_HASH, slide.deckHash())
                .set(PAGE_SLIDE.NUMBER, slide.number())
                .execute();
    }

    /** The slides of a lesson, by page. */
    public Map<String, PageSlide> ofLesson(String lessonId) {
        return looking.select(PAGE_SLIDE.PAGE_ID, PAGE_SLIDE.DECK_HASH, PAGE_SLIDE.NUMBER)
                .from(PAGE_SLIDE)
                .join(PAGE)
                .on(PAGE.ID.eq(PAGE_SLIDE.PAGE_ID))
                .where(PAGE.LESSON_ID.eq(lessonId))
                .fetchMap(
                        row -> row.get(PAGE_SLIDE.PAGE_ID),
                        row -> new PageSlide(row.get(PAGE_SLIDE.DECK_HASH), row.get(PAGE_SLIDE.NUMBER)));
    }
}
