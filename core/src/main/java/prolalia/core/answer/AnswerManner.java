package prolalia.core.answer;

/**
 * How the questions of a lesson are asked.
 *
 * @param layout of pages without a picture
 * @param feedback when it is heard what is right
 * @param tries how often a question may be answered anew after it was heard that the answer is wrong; 0: as often as she likes
 * @param points how a child sees what she got
 * @param longestSeconds so long a spoken answer may be, unless its question says otherwise
 * @param closes whether nothing is answered any more after handing in; null: it isn't so
 */
public record AnswerManner(
        Layout layout, Feedback feedback, int tries, Points points, int longestSeconds, Boolean closes) {
    public static final int USUAL_SECONDS = 120;
    public static final int MOST_SECONDS = 600;
    public static final int MOST_TRIES = 20;
    public static final AnswerManner USUAL =
            new AnswerManner(Layout.ONE, Feedback.AT_END, 0, Points.STARS, USUAL_SECONDS, false);

    /** How questions stand on a page that has no picture. */
    public enum Layout {
        /** One after another. */
        ONE,
        /** All under one another. */
        SHEET
    }

    /** When a child hears what is right. */
    public enum Feedback {
        /** As soon as a question is answered. */
        EACH,
        /** After she handed in. */
        AT_END,
        /** Her teacher tells her. */
        NONE
    }

    /** How a child sees what she got. */
    public enum Points {
        STARS,
        WORDS,
        HIDDEN
    }

    public AnswerManner {
        layout = layout == null ? Layout.ONE : layout;
        feedback = feedback == null ? Feedback.AT_END : feedback;
        points = points == null ? Points.STARS : points;
        tries = Math.max(0, Math.min(MOST_TRIES, tries));
        longestSeconds = longestSeconds <= 0 ? USUAL_SECONDS : Math.min(MOST_SECONDS, longestSeconds);
        closes = Boolean.TRUE.equals(closes);
    }
}
