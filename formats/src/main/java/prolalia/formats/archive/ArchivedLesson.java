package prolalia.formats.archive;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import prolalia.core.align.WordTimes.Word;
import prolalia.core.answer.ChoiceMark;
import prolalia.core.answer.Question;
import prolalia.core.lesson.LessonSettings;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineTraits;
import prolalia.core.lesson.Prompt;
import prolalia.core.lesson.StepIcon;
import prolalia.core.page.PageSettings;
import prolalia.core.page.Placed;
import prolalia.core.place.WordPlaces;
import prolalia.core.sound.Span;
import prolalia.core.sound.edit.Edit;

/**
 * A lesson as it stands in its archive: lesson.json, as docs/archive.md says. Names of files are paths within the archive.
 *
 * @param format always {@value #FORMAT}
 * @param version of the format
 * @param settings what holds for all of it
 * @param every what stands on every page, and its play rule
 * @param pictures the media types of the pictures that things on its pages show, by their SHA-256
 * @param prompts in the teacher's own voice, as far as she spoke them
 */
public record ArchivedLesson(
        String format,
        Integer version,
        String title,
        LessonSettings settings,
        Placed every,
        Map<String, String> pictures,
        Map<Prompt, ArchivedTake> prompts,
        List<ArchivedPage> pages) {
    public static final String FORMAT = "prolalia-lesson";
    public static final int VERSION = 1;

    public ArchivedLesson {
        title = title == null ? "" : title;
        settings = settings == null ? LessonSettings.USUAL : settings;
        every = whole(every);
        pictures = pictures == null ? Map.of() : pictures;
        prompts = prompts == null ? Map.of() : prompts;
        pages = pages == null ? List.of() : pages;
    }

    public ArchivedLesson(
            String title,
            LessonSettings settings,
            Placed every,
            Map<String, String> pictures,
            Map<Prompt, ArchivedTake> prompts,
            List<ArchivedPage> pages) {
        this(FORMAT, VERSION, title, settings, every, pictures, prompts, pages);
    }

    private static Placed whole(Placed placed) {
        return placed == null
                ? Placed.NOTHING
                : new Placed(
                        placed.things() == null ? List.of() : placed.things(),
                        placed.manner() == null ? PageSettings.USUAL : placed.manner());
    }

    /**
     * @param id names it within the archive
     * @param title null when it has none
     * @param slide null when it was made of none
     */
    public record ArchivedPage(
            String id,
            String title,
            ArchivedPicture picture,
            Placed placed,
            ArchivedSlide slide,
            List<ArchivedLine> lines) {
        public ArchivedPage {
            placed = whole(placed);
            lines = lines == null ? List.of() : lines;
        }
    }

    /**
     * @param sha256 of the file, in hexadecimal; it stands under {@link LessonArchive#pictureName}
     * @param width in units of the file; null when it isn't known
     */
    public record ArchivedPicture(String sha256, String type, String shows, Integer width, Integer height) {}

    /** @param number of the slide in the PPTX, from 1 */
    public record ArchivedSlide(String file, Integer number) {}

    /**
     * @param id names it within the archive
     * @param lang of its words (BCP 47); null: that of the lesson
     * @param label what stands before its words on paper
     * @param wordPlaces where its words stand on the picture, as {@link WordPlaces} are written; null: nowhere
     * @param question how it is answered; null: it is heard alone
     * @param mark what it is to its question, for a choice; null: neither right nor of a pair
     * @param picture SHA-256 of a picture among the lesson's; null: none
     */
    public record ArchivedLine(
            String id,
            LineKind kind,
            String words,
            StepIcon icon,
            String lang,
            String label,
            String wordPlaces,
            Question question,
            ChoiceMark mark,
            String picture,
            List<ArchivedTake> takes) {
        public static ArchivedLine of(Line line, List<ArchivedTake> takes) {
            LineTraits is = line.traits();
            String places = is.places().areUnknown() ? null : is.places().written();
            ChoiceMark mark = is.mark().equals(ChoiceMark.NONE) ? null : is.mark();
            return new ArchivedLine(
                    line.id(),
                    is.kind(),
                    line.words(),
                    is.icon(),
                    is.lang(),
                    is.label(),
                    places,
                    is.question(),
                    mark,
                    is.picture(),
                    takes);
        }

        public LineTraits traits() {
            return new LineTraits(kind, icon, lang, label, new WordPlaces(wordPlaces), question, mark, picture);
        }

        public ArchivedLine {
            words = words == null ? "" : words;
            takes = takes == null ? List.of() : takes;
        }
    }

    /**
     * @param original FLAC of the whole recording
     * @param heard MP3 as students hear it; null: to be made of the original
     * @param words that it says
     * @param trim what is kept of the original before the edits
     * @param edits that hold, in the order in which they were made
     * @param kept whether students hear it
     * @param accepted whether the teacher said that it is fine as it is
     * @param times when its words are said; null when that is to be found out
     */
    public record ArchivedTake(
            String original,
            String heard,
            String words,
            Span trim,
            List<ArchivedEdit> edits,
            Boolean kept,
            Boolean accepted,
            List<ArchivedWord> times) {
        public ArchivedTake {
            words = words == null ? "" : words;
            edits = edits == null ? List.of() : edits;
            kept = kept != null && kept;
            accepted = accepted != null && accepted;
        }

        /** When its words are said; empty when that is to be found out. */
        public List<Word> plainTimes() {
            return times == null
                    ? List.of()
                    : times.stream().map(ArchivedWord::word).toList();
        }

        public List<Edit> plainEdits() {
            return edits.stream().map(ArchivedEdit::edit).toList();
        }
    }

    /** A word, and when it is said in the take as it is heard. */
    public record ArchivedWord(String text, Integer from, Long startMs, Long endMs) {
        /** @throws RuntimeException when it makes no sense */
        public Word word() {
            return new Word(Objects.requireNonNull(text), from, new Span(startMs, endMs));
        }
    }

    /**
     * An edit; times are milliseconds of the original.
     *
     * @param startMs of ends and cuts; where a pause stands
     * @param endMs of ends and cuts; how long a pause is
     * @param db of a gain
     * @param on of noise reduction
     */
    public record ArchivedEdit(Kind kind, Long startMs, Long endMs, Double db, Boolean on) {
        /** What is edited. */
        public enum Kind {
            ENDS,
            CUT,
            PAUSE,
            GAIN,
            QUIETER
        }

        public static ArchivedEdit of(Edit edit) {
            if (edit instanceof Edit.Ends ends) {
                return new ArchivedEdit(
                        Kind.ENDS, ends.kept().startMs(), ends.kept().endMs(), null, null);
            } else if (edit instanceof Edit.Cut cut) {
                return new ArchivedEdit(
                        Kind.CUT, cut.gone().startMs(), cut.gone().endMs(), null, null);
            } else if (edit instanceof Edit.Pause pause) {
                return new ArchivedEdit(Kind.PAUSE, pause.atMs(), pause.lengthMs(), null, null);
            } else if (edit instanceof Edit.Gain gain) {
                return new ArchivedEdit(Kind.GAIN, null, null, gain.db(), null);
            }
            return new ArchivedEdit(Kind.QUIETER, null, null, null, ((Edit.Quieter) edit).on());
        }

        /** @throws RuntimeException when it makes no sense */
        public Edit edit() {
            return switch (kind) {
                case ENDS -> new Edit.Ends(new Span(startMs, endMs));
                case CUT -> new Edit.Cut(new Span(startMs, endMs));
                case PAUSE -> new Edit.Pause(startMs, endMs);
                case GAIN -> new Edit.Gain(db);
                case QUIETER -> new Edit.Quieter(on);
            };
        }
    }
}
