package prolalia.app.pages;

import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import prolalia.app.access.LessonAccess;
import prolalia.app.access.LessonRef;
import prolalia.app.access.Right;
import prolalia.app.account.Actor.Teacher;
import prolalia.core.script.LessonChange.PageStep;
import prolalia.core.script.PageShape;

/** The pages of lessons, for the rooms that make them. */
@Component
public class LessonPages {
    private final PageStore pages;
    private final PageSourceStore sources;
    private final LessonAccess access;

    LessonPages(PageStore pages, PageSourceStore sources, LessonAccess access) {
        this.access = access;
        this.pages = pages;
        this.sources = sources;
    }

    /** Those that are there, in order. */
    public List<LessonPage> of(LessonRef lesson) {
        return pages.of(lesson);
    }

    /** Pages in the bin, newest first. */
    public List<Binned> removed(Teacher teacher, Right right) {
        return pages.removed(access.may(teacher, right));
    }

    public int count(LessonRef lesson) {
        return pages.count(lesson);
    }

    /** All pages that a lesson has or had, removed ones too, by their ids. */
    public Map<String, PageShape> shapes(LessonRef lesson) {
        return pages.shapes(lesson);
    }

    /** Adds an empty page at the end; answers its id. */
    public String add(LessonRef lesson, long now) {
        return pages.add(lesson, now);
    }

    /** Makes one step of a change; what the step doesn't change is left as it is. */
    public void make(PageStep step, long now) {
        pages.make(step, now);
    }

    /** Takes a new lesson's only page away, if nothing was ever put on it. */
    public void removeUntouchedPage(LessonRef lesson, long now) {
        pages.removeUntouchedPage(lesson, now);
    }

    public void setTitle(String pageId, String title) {
        pages.setTitle(pageId, title);
    }

    /**
     * @param hash its name in the media store
     * @param words what it shows, for those who don't see it
     */
    public void setPicture(String pageId, String hash, String type, String words) {
        pages.setPicture(pageId, hash, type, words);
    }

    /** How large a picture is, as its file has it. */
    public void setPictureSize(String pageId, int width, int height) {
        pages.setPictureSize(pageId, width, height);
    }

    /** Of which file a page was made. */
    public void setSource(String pageId, PageSource source) {
        sources.add(pageId, source);
    }

    /** The sources of a lesson's pages of one type, by page. */
    public Map<String, PageSource> sources(LessonRef lesson, PageSource.Type type) {
        return sources.ofLesson(lesson, type);
    }
}
