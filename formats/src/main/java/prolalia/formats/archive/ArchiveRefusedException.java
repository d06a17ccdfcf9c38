package prolalia.formats.archive;

import prolalia.core.finding.RefusalReason;

/** Thrown when an archive can't be taken; nothing of it was. */
public final class ArchiveRefusedException extends Exception {
    /** Why. */
    public enum Reason implements RefusalReason {
        /** It is no ZIP at all, or one that was cut. */
        NO_ARCHIVE,
        /** A ZIP that holds no lesson. */
        NO_LESSON,
        /** Made by a later version of the program. */
        NEWER,
        /** A path leads out of the archive's own folder. */
        OUTSIDE,
        /** lesson.json can't be understood. */
        UNREADABLE,
        /** A file that the lesson names isn't there. */
        MISSING,
        /** A file is damaged, or not what its name says. */
        DAMAGED,
        /** Far more in it than a lesson has. */
        TOO_LARGE;

        @Override
        public String words() {
            return "archive";
        }
    }

    private final Reason reason;
    private final String detail;

    public ArchiveRefusedException(Reason reason, String detail) {
        super(reason + " " + detail);
        this.reason = reason;
        this.detail = detail;
    }

    /** Something in the lesson itself makes no sense. */
    public static ArchiveRefusedException unreadable(String detail) {
        return new ArchiveRefusedException(Reason.UNREADABLE, detail);
    }

    /** A file in it is not what it should be. */
    public static ArchiveRefusedException damaged(String file) {
        return new ArchiveRefusedException(Reason.DAMAGED, file);
    }

    /** There is more of something than a lesson may have. */
    public static ArchiveRefusedException tooLarge(String detail) {
        return new ArchiveRefusedException(Reason.TOO_LARGE, detail);
    }

    public Reason reason() {
        return reason;
    }

    /** The file or the place that it is about; may be empty. */
    public String detail() {
        return detail;
    }
}
