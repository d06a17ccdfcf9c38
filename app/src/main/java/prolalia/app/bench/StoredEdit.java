package prolalia.app.bench;

import prolalia.core.sound.Span;
import prolalia.core.sound.edit.Edit;

/**
 * An edit as it goes over the wire and into the database.
 *
 * @param startMs of ends and cuts; where a pause stands
 * @param endMs of ends and cuts; how long a pause is
 * @param db of a gain
 * @param on of noise reduction
 * @param otherTakeId of a split: the take that the second part is, on the next line; null otherwise
 * @param beforeTakeId of a split: what was kept on that line before, null for nothing
 */
record StoredEdit(Kind kind, long startMs, long endMs, double db, boolean on, String otherTakeId, String beforeTakeId) {
    StoredEdit(Kind kind, long startMs, long endMs, double db, boolean on) {
        this(kind, startMs, endMs, db, on, null, null);
    }

    /** The ends of the first part of a split take. */
    static StoredEdit split(Span first, String otherTakeId, String beforeTakeId) {
        return new StoredEdit(Kind.SPLIT, first.startMs(), first.endMs(), 0, false, otherTakeId, beforeTakeId);
    }

    enum Kind {
        ENDS,
        /** The ends of the first part; the second one is a take of the next line. */
        SPLIT,
        CUT,
        PAUSE,
        GAIN,
        QUIETER
    }

    static StoredEdit of(Edit edit) {
        if (edit instanceof Edit.Cut cut) {
            return new StoredEdit(Kind.CUT, cut.gone().startMs(), cut.gone().endMs(), 0, false);
        } else if (edit instanceof Edit.Pause pause) {
            return new StoredEdit(Kind.PAUSE, pause.atMs(), pause.lengthMs(), 0, false);
        } else if (edit instanceof Edit.Ends ends) {
            return new StoredEdit(Kind.ENDS, ends.kept().startMs(), ends.kept().endMs(), 0, false);
        } else if (edit instanceof Edit.Gain gain) {
            return new StoredEdit(Kind.GAIN, 0, 0, gain.db(), false);
        }
        return new StoredEdit(Kind.QUIETER, 0, 0, 0, ((Edit.Quieter) edit).on());
    }

    /** @throws IllegalArgumentException when it makes no sense */
    Edit edit() {
        return switch (kind) {
            case ENDS, SPLIT -> new Edit.Ends(new Span(startMs, endMs));
            case CUT -> new Edit.Cut(new Span(startMs, endMs));
            case PAUSE -> new Edit.Pause(startMs, endMs);
            case GAIN -> new Edit.Gain(db);
            case QUIETER -> new Edit.Quieter(on);
        };
    }
}
