package prolalia.app.stage;

import prolalia.core.page.PageElement.Fault;

/** Why a change of a stage isn't made. */
public enum StageRefusal {
    /** It was changed elsewhere meanwhile. */
    ELSEWHERE,
    TOO_MANY,
    GONE,
    ADDRESS,
    LONG,
    /** Pages that aren't there, or can't be read. */
    PAGES,
    /** A file that is no picture that can be shown. */
    PICTURE,
    /** A file of several pages, where one is meant. */
    MANY,
    /** The words of a line can't be told apart where they were looked for. */
    NO_WORDS;

    static StageRefusal of(Fault fault) {
        return switch (fault) {
            case GONE -> GONE;
            case ADDRESS -> ADDRESS;
            case LONG -> LONG;
        };
    }
}
