package prolalia.core.lesson;

/** How much a lesson may hold, however it came to be. More than this is a mistake of pasting, or somebody's try. */
public final class LessonLimits {
    public static final int MOST_PAGES = 200;

    /** Of the whole script. */
    public static final int MOST_LINES = 10_000;

    /** Words of one line, in UTF-16 units: some chapters of a book. */
    public static final int LONGEST_WORDS = 200_000;

    public static final int LONGEST_TITLE = 200;

    /** What stands on one page. */
    public static final int MOST_THINGS = 300;

    public static final int MOST_TAKES_OF_A_LINE = 200;

    /** Points of a picture; a page is drawn with 1,600 at its longer side. */
    public static final long MOST_PIXELS = 16_000_000;

    private LessonLimits() {}
}
