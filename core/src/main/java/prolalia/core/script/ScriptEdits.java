package prolalia.core.script;

import java.lang.Character.UnicodeScript;
import java.text.BreakIterator;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineTraits;
import prolalia.core.lesson.StepIcon;
import prolalia.core.place.WordPlaces;
import prolalia.core.script.LessonChange.Deed;
import prolalia.core.script.LessonChange.LineStep;
import prolalia.core.script.LessonChange.TakePlace;
import prolalia.core.script.LessonChange.TakeStep;
import prolalia.core.script.LineShape.Place;
import prolalia.core.script.PastedScript.ReadLine;

/**
 * What moving, splitting and joining lines, and moving takes, mean for a script. Takes nothing away for good: takes stay,
 * and every change can be reversed.
 *
 * <pre>{@code
 * LessonChange change = new ScriptEdits(script).join("b", takesOfB).orElseThrow();
 * LessonChange undo = change.reversed();
 * }</pre>
 *
 * <p>An answer is empty when there is nothing to change.
 */
public final class ScriptEdits {
    /** Scripts written without a space between words. */
    private static final Set<UnicodeScript> SPACELESS = EnumSet.of(
            UnicodeScript.HAN,
            UnicodeScript.HIRAGANA,
            UnicodeScript.KATAKANA,
            UnicodeScript.THAI,
            UnicodeScript.LAO,
            UnicodeScript.KHMER,
            UnicodeScript.MYANMAR);

    /** An extended grapheme cluster (Unicode Standard Annex 29): a letter with its marks, an icon with its parts. */
    private static final Pattern LETTER = Pattern.compile("\\X");

    private final List<PlacedLine> script;

    /** A line of the script. */
    public record PlacedLine(String id, LineShape shape) {}

    /**
     * A take of a line.
     *
     * @param words what it says
     */
    public record LineTake(String id, String lineId, String words) {}

    /** @param script its lines in reading order, without removed ones */
    public ScriptEdits(List<PlacedLine> script) {
        this.script = List.copyOf(script);
    }

    /** New lines come in where they have been placed already. */
    public static LessonChange add(List<PlacedLine> added) {
        return new LessonChange(
                Deed.ADD,
                added.stream()
                        .map(line -> new LineStep(
                                line.id(),
                                line.shape().withRemoved(true),
                                line.shape().withRemoved(false)))
                        .toList(),
                List.of());
    }

    /**
     * New lines come in under a line.
     *
     * @param newIds one for each of them
     * @param spare whether the line may go when it has no words
     */
    public LessonChange pasteUnder(String lineId, List<ReadLine> read, List<String> newIds, boolean spare) {
        LineShape under = line(lineId).shape();
        boolean goes = spare && under.words().isBlank() && under.keptTakeId() == null;
        List<LineStep> steps = new ArrayList<>();
        if (goes) {
            steps.add(new LineStep(lineId, under, under.withRemoved(true)));
        }
        String previous = goes ? under.place().afterLineId() : lineId;
        for (int i = 0; i < read.size(); i++) {
            Place place = new Place(under.place().pageId(), previous);
            LineShape shape = new LineShape(read.get(i).words(), read.get(i).traits(), false, null, place, null);
            steps.add(new LineStep(newIds.get(i), shape.withRemoved(true), shape));
            previous = newIds.get(i);
        }
        return new LessonChange(Deed.ADD, steps, List.of());
    }

    /** Other words were typed into a line. @param shape as it was before */
    public static LessonChange typed(String lineId, LineShape shape, String words) {
        return change(Deed.WORDS, new LineStep(lineId, shape, shape.withTyped(words)));
    }

    public Optional<LessonChange> remove(String lineId) {
        LineShape shape = line(lineId).shape();
        return Optional.of(change(Deed.REMOVE, new LineStep(lineId, shape, shape.withRemoved(true))));
    }

    public Optional<LessonChange> changeKind(String lineId, LineKind kind) {
        LineShape shape = line(lineId).shape();
        return changeTraits(lineId, Deed.KIND, shape.traits().withKind(kind));
    }

    /** @param icon null: none any more */
    public Optional<LessonChange> changeIcon(String lineId, StepIcon icon) {
        LineShape shape = line(lineId).shape();
        return changeTraits(lineId, Deed.ICON, shape.traits().withIcon(icon));
    }

    /** @param label blank: none */
    public Optional<LessonChange> changeLabel(String lineId, String label) {
        return changeTraits(lineId, Deed.LABEL, line(lineId).shape().traits().withLabel(label));
    }

    /** @param lang null: that of its lesson */
    public Optional<LessonChange> changeLang(String lineId, String lang) {
        return changeTraits(lineId, Deed.LANG, line(lineId).shape().traits().withLang(lang));
    }

    public Optional<LessonChange> changePlaces(String lineId, WordPlaces places) {
        return changeTraits(
                lineId, Deed.WORD_PLACES, line(lineId).shape().traits().withPlaces(places));
    }

    private Optional<LessonChange> changeTraits(String lineId, Deed deed, LineTraits traits) {
        LineShape shape = line(lineId).shape();
        return shape.traits().equals(traits)
                ? Optional.empty()
                : Optional.of(change(deed, new LineStep(lineId, shape, shape.withTraits(traits))));
    }

    /** The sentences of a line: what would be its steps. */
    public List<String> stepsOf(String lineId) {
        String words = line(lineId).shape().words();
        BreakIterator sentences = BreakIterator.getSentenceInstance(Locale.ROOT);
        sentences.setText(words);
        List<String> steps = new ArrayList<>();
        int start = 0;
        for (int end = sentences.next(); end != BreakIterator.DONE; end = sentences.next()) {
            String step = words.substring(start, end).strip();
            if (!step.isEmpty()) {
                steps.add(step);
            }
            start = end;
        }
        return steps;
    }

    /**
     * Makes a line for each of its sentences, with the icon that its words ask for. The take stays with the first, whose words
     * it no longer says.
     *
     * @param newLineIds of the lines that come in, one fewer than {@link #stepsOf} tells
     * @return empty when there is one sentence only
     */
    public Optional<LessonChange> intoSteps(String lineId, List<String> newLineIds) {
        LineShape shape = line(lineId).shape();
        List<String> steps = stepsOf(lineId);
        if (steps.size() < 2) {
            return Optional.empty();
        }
        List<WordPlaces> places = shape.traits().places().sharedOut(steps);
        List<LineStep> changes = new ArrayList<>();
        String before = lineId;
        for (int i = 1; i < steps.size(); i++) {
            LineTraits traits = shape.traits()
                    .withLabel(null)
                    .withIcon(StepIcon.of(steps.get(i)).orElse(null))
                    .withPlaces(places.get(i));
            LineShape step = new LineShape(
                    steps.get(i), traits, false, null, new Place(shape.place().pageId(), before), null);
            before = newLineIds.get(i - 1);
            changes.add(new LineStep(before, step.withRemoved(true), step));
        }
        StepIcon firstIcon = StepIcon.of(steps.get(0)).orElse(shape.traits().icon());
        LineShape first = shape.withWords(steps.get(0))
                .withTraits(shape.traits().withIcon(firstIcon).withPlaces(places.get(0)));
        changes.add(new LineStep(lineId, shape, first));
        return Optional.of(new LessonChange(Deed.STEPS, changes, List.of()));
    }

    /** Moves a line to another place, of the same page or another one. */
    public Optional<LessonChange> move(String lineId, Place to) {
        LineShape shape = line(lineId).shape();
        boolean stays = shape.place().equals(to) || lineId.equals(to.afterLineId());
        return stays ? Optional.empty() : Optional.of(change(Deed.MOVE, new LineStep(lineId, shape, moved(shape, to))));
    }

    /** On another page its words stand nowhere. */
    private static LineShape moved(LineShape shape, Place to) {
        LineShape moved = shape.withPlace(to);
        boolean stays = to.pageId().equals(shape.place().pageId());
        return stays ? moved : moved.withTraits(shape.traits().withPlaces(WordPlaces.NONE));
    }

    /**
     * Splits a line in two. The take stays with the first part, whose words it no longer says; the second part is silent.
     * At the very beginning or end, the line stays as it is and the new one beside it is empty.
     *
     * @param at in UTF-16 units; within a letter and its marks, before that letter
     * @param newLineId of the line that comes in, removed up to now, placed by {@link #placeOfSplit}
     */
    public LessonChange split(String lineId, int at, String newLineId) {
        LineShape shape = line(lineId).shape();
        String[] parts = splitWords(shape.words(), at);
        boolean above = parts[0].isEmpty();
        List<WordPlaces> places = shape.traits().places().sharedOut(List.of(parts));
        LineTraits traits = LineTraits.of(shape.kind()).withLang(shape.traits().lang());
        LineShape added = new LineShape(
                above ? "" : parts[1],
                above ? traits : traits.withPlaces(places.get(1)),
                false,
                null,
                placeOfSplit(lineId, at),
                null);
        List<LineStep> steps = new ArrayList<>();
        steps.add(new LineStep(newLineId, added.withRemoved(true), added));
        boolean divides = !above && !parts[1].isEmpty();
        if (divides) {
            LineShape first =
                    shape.withWords(parts[0]).withTraits(shape.traits().withPlaces(places.get(0)));
            steps.add(new LineStep(lineId, shape, first));
        }
        return new LessonChange(divides ? Deed.SPLIT : Deed.ADD, steps, List.of());
    }

    /** Where the new line of a split comes in. */
    public Place placeOfSplit(String lineId, int at) {
        LineShape shape = line(lineId).shape();
        boolean above = !shape.words().isBlank() && splitWords(shape.words(), at)[0].isEmpty();
        return above ? shape.place() : new Place(shape.place().pageId(), lineId);
    }

    /**
     * Joins a line to the one above it on its page. The upper line keeps its kind and its take, or gets the lower one's
     * if it has none; all takes of the lower line come along.
     *
     * @param takes of the lower line
     * @return empty when there is no line above
     */
    public Optional<LessonChange> join(String lineId, List<LineTake> takes) {
        LineShape lower = line(lineId).shape();
        String upperId = lower.place().afterLineId();
        if (upperId == null) {
            return Optional.empty();
        }
        LineShape upper = line(upperId).shape();
        LineShape joined = upper.withWords(joinWords(upper.words(), lower.words()))
                .withTraits((upper.words().isBlank() ? lower.traits() : upper.traits())
                        .withPlaces(upper.traits().places().and(lower.traits().places())))
                .withKept(upper.keptTakeId() == null ? lower.keptTakeId() : upper.keptTakeId());
        return Optional.of(new LessonChange(
                Deed.JOIN,
                List.of(
                        new LineStep(upperId, upper, joined),
                        new LineStep(lineId, lower, lower.withKept(null).withRemoved(true))),
                takes.stream()
                        .map(take -> new TakeStep(
                                take.id(), new TakePlace(lineId, take.words()), new TakePlace(upperId, take.words())))
                        .toList()));
    }

    /**
     * Gives a take to another line, where it is kept from now on and says that line's words. If it was the kept one of its
     * line, that line is silent.
     */
    public Optional<LessonChange> moveTake(LineTake take, String toLineId) {
        if (take.lineId().equals(toLineId)) {
            return Optional.empty();
        }
        LineShape from = line(take.lineId()).shape();
        LineShape to = line(toLineId).shape();
        List<LineStep> steps = new ArrayList<>();
        if (take.id().equals(from.keptTakeId())) {
            steps.add(new LineStep(take.lineId(), from, from.withKept(null)));
        }
        steps.add(new LineStep(toLineId, to, to.withKept(take.id())));
        String words = to.words().isBlank() ? take.words() : to.words();
        TakeStep step =
                new TakeStep(take.id(), new TakePlace(take.lineId(), take.words()), new TakePlace(toLineId, words));
        return Optional.of(new LessonChange(Deed.MOVE_TAKE, steps, List.of(step)));
    }

    /** A take made for another line is heard on this one from now on; it stays that line's. */
    public Optional<LessonChange> useTake(String lineId, String takeId) {
        LineShape shape = line(lineId).shape();
        return takeId.equals(shape.keptTakeId()) && shape.standingLineId() == null
                ? Optional.empty()
                : Optional.of(change(Deed.USE_TAKE, new LineStep(lineId, shape, shape.withKept(takeId))));
    }

    /** Nothing is heard on a line any more; its takes stay. */
    public Optional<LessonChange> silence(String lineId) {
        LineShape shape = line(lineId).shape();
        return shape.keptTakeId() == null
                ? Optional.empty()
                : Optional.of(change(Deed.SILENCE, new LineStep(lineId, shape, shape.withKept(null))));
    }

    /**
     * A line has the words and the take of a standing line from now on, and follows it.
     *
     * @param takeId of the standing line, null when it is silent
     */
    public Optional<LessonChange> useStanding(String lineId, String standingLineId, String words, String takeId) {
        LineShape shape = line(lineId).shape();
        return standingLineId.equals(shape.standingLineId()) || standingLineId.equals(lineId)
                ? Optional.empty()
                : Optional.of(change(
                        Deed.USE_STANDING,
                        new LineStep(lineId, shape, shape.withStanding(standingLineId, words, takeId))));
    }

    /** A line doesn't follow a standing line any more. */
    public Optional<LessonChange> onItsOwn(String lineId) {
        LineShape shape = line(lineId).shape();
        return shape.standingLineId() == null
                ? Optional.empty()
                : Optional.of(change(Deed.OWN, new LineStep(lineId, shape, shape.onItsOwn())));
    }

    private static String[] splitWords(String words, int at) {
        int limited = Math.min(words.length(), at);
        int cut = 0;
        Matcher letters = LETTER.matcher(words);
        while (letters.find() && letters.end() <= limited) {
            cut = letters.end();
        }
        return new String[] {
            words.substring(0, cut).strip(), words.substring(cut).strip()
        };
    }

    private static String joinWords(String upper, String lower) {
        if (upper.isBlank() || lower.isBlank()) {
            return upper.isBlank() ? lower : upper;
        }
        String one = upper.stripTrailing();
        String other = lower.stripLeading();
        boolean spaceless = isSpaceless(one.codePointBefore(one.length())) && isSpaceless(other.codePointAt(0));
        return one + (spaceless ? "" : " ") + other;
    }

    /** The full stops of these scripts (Unicode block CJK Symbols and Punctuation, fullwidth forms) are no script's own. */
    private static boolean isSpaceless(int codePoint) {
        return SPACELESS.contains(UnicodeScript.of(codePoint))
                || codePoint >= 0x3000 && codePoint <= 0x303F
                || codePoint >= 0xFF00 && codePoint <= 0xFF65;
    }

    private static LessonChange change(Deed deed, LineStep step) {
        return new LessonChange(deed, List.of(step), List.of());
    }

    private PlacedLine line(String id) {
        return script.stream()
                .filter(line -> line.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no line " + id + " in this script"));
    }
}
