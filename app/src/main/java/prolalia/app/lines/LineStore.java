package prolalia.app.lines;

import static org.jooq.impl.DSL.coalesce;
import static org.jooq.impl.DSL.max;
import static prolalia.app.platform.db.Tables.LINE;
import static prolalia.app.platform.db.Tables.PAGE;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.access.LessonRef;
import prolalia.app.platform.Ids;
import prolalia.app.platform.KeptTakes;
import prolalia.app.platform.db.tables.records.LineRecord;
import prolalia.core.answer.ChoiceMark;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineTraits;
import prolalia.core.lesson.StepIcon;
import prolalia.core.place.WordPlaces;
import prolalia.core.script.LessonChange.LineStep;
import prolalia.core.script.LineShape;
import prolalia.core.script.LineShape.Place;
import prolalia.core.script.PastedScript.ReadLine;
import prolalia.core.script.ScriptEdits.PlacedLine;

/** Changes to lines. */
@Repository
class LineStore {
    /** All columns that {@link #traits} reads and {@link #setTraits} writes. */
    static final List<Field<?>> TRAITS = List.of(
            LINE.KIND,
            LINE.ICON,
            LINE.LANG,
            LINE.LABEL,
            LINE.WORD_PLACES,
            LINE.QUESTION,
            LINE.CHOICE_RIGHT,
            LINE.CHOICE_PAIR,
            LINE.PICTURE_HASH);

    private static final Field<String> KEPT = KeptTakes.of(LINE.ID).as("kept");

    private final KeptTakeStore kept;
    private final DSLContext writing;
    private final DSLContext looking;

    LineStore(KeptTakeStore kept, DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.kept = kept;
        this.writing = writing;
        this.looking = looking;
    }

    /** How many lines a lesson has. */
    int count(LessonRef lesson) {
        return looking.fetchCount(writing.select(LINE.ID)
                .from(LINE)
                .join(PAGE)
                .on(PAGE.ID.eq(LINE.PAGE_ID))
                .where(PAGE.LESSON_ID.eq(lesson.id()), LINE.REMOVED_AT.isNull()));
    }

    /** What is said in lessons, in reading order. */
    List<LineWords> words(Collection<String> lessonIds) {
        return looking.select(LINE.ID, PAGE.LESSON_ID, LINE.WORDS)
                .from(LINE)
                .join(PAGE)
                .on(PAGE.ID.eq(LINE.PAGE_ID))
                .where(PAGE.LESSON_ID.in(lessonIds), PAGE.REMOVED_AT.isNull(), LINE.REMOVED_AT.isNull())
                .orderBy(PAGE.LESSON_ID, PAGE.POSITION, LINE.POSITION)
                .fetch(row -> new LineWords(row.value1(), row.value2(), row.value3()));
    }

    /** Adds a line at the end of a page. */
    String add(String pageId, LineKind kind, String words) {
        return addAll(pageId, List.of(new ReadLine(kind, words))).get(0).id();
    }

    /** Adds lines at the end of a page; answers them. */
    List<PlacedLine> addAll(String pageId, List<ReadLine> read) {
        int position = lastPosition(pageId);
        String previous = null;
        List<PlacedLine> added = new ArrayList<>();
        List<LineRecord> rows = new ArrayList<>();
        for (ReadLine line : read) {
            LineRecord row = writing.newRecord(LINE);
            row.setId(Ids.newId());
            row.setPageId(pageId);
            row.setPosition(++position);
            setTraits(row, line.traits());
            row.setWords(line.words());
            row.setRevision(1);
            rows.add(row);
            Place place = new Place(pageId, previous);
            added.add(
                    new PlacedLine(row.getId(), new LineShape(line.words(), line.traits(), false, null, place, null)));
            previous = row.getId();
        }
        writing.batchInsert(rows).execute();
        return added;
    }

    /** All lines that the pages of a lesson have or had, removed ones too, in reading order. */
    Map<String, LineShape> shapes(LessonRef lesson) {
        return shapes(PAGE.LESSON_ID.eq(lesson.id()).and(PAGE.REMOVED_AT.isNull()));
    }

    /** Those of removed pages as well. */
    Map<String, LineShape> shapesEver(LessonRef lesson) {
        return shapes(PAGE.LESSON_ID.eq(lesson.id()));
    }

    /** The lines that stand in the script, in reading order. */
    List<PlacedLine> script(LessonRef lesson) {
        return shapes(lesson).entrySet().stream()
                .filter(entry -> !entry.getValue().removed())
                .map(entry -> new PlacedLine(entry.getKey(), entry.getValue()))
                .toList();
    }

    /** One line alone: which one it comes after isn't known. */
    LineShape shape(String lineId) {
        return shapes(LINE.ID.eq(lineId)).get(lineId);
    }

    private Map<String, LineShape> shapes(Condition which) {
        Map<String, LineShape> shapes = new LinkedHashMap<>();
        Map<String, String> lastOfPage = new HashMap<>();
        writing.select(LINE.ID, LINE.WORDS, LINE.REMOVED_AT, KEPT, LINE.PAGE_ID, LINE.STANDING_LINE_ID)
                .select(TRAITS)
                .from(LINE)
                .join(PAGE)
                .on(PAGE.ID.eq(LINE.PAGE_ID))
                .where(which)
                .orderBy(PAGE.POSITION, LINE.POSITION)
                .forEach(row -> {
                    String page = row.get(LINE.PAGE_ID);
                    boolean removed = row.get(LINE.REMOVED_AT) != null;
                    shapes.put(
                            row.get(LINE.ID),
                            new LineShape(
                                    row.get(LINE.WORDS),
                                    traits(row),
                                    removed,
                                    row.get(KEPT),
                                    new Place(page, lastOfPage.get(page)),
                                    row.get(LINE.STANDING_LINE_ID)));
                    if (!removed) {
                        lastOfPage.put(page, row.get(LINE.ID));
                    }
                });
        return shapes;
    }

    /** Where its words stand, and how it is answered, is known if it was asked for. */
    static LineTraits traits(Record row) {
        String icon = row.get(LINE.ICON);
        return new LineTraits(
                LineKind.valueOf(row.get(LINE.KIND)),
                icon == null ? null : StepIcon.valueOf(icon),
                row.get(LINE.LANG),
                row.get(LINE.LABEL),
                row.field(LINE.WORD_PLACES) == null ? WordPlaces.NONE : new WordPlaces(row.get(LINE.WORD_PLACES)),
                row.field(LINE.QUESTION) == null ? null : QuestionColumns.question(row.get(LINE.QUESTION)),
                row.field(LINE.CHOICE_RIGHT) == null
                        ? ChoiceMark.NONE
                        : new ChoiceMark(row.get(LINE.CHOICE_RIGHT), row.get(LINE.CHOICE_PAIR)),
                row.field(LINE.PICTURE_HASH) == null ? null : row.get(LINE.PICTURE_HASH));
    }

    private static void setTraits(LineRecord row, LineTraits traits) {
        row.setKind(traits.kind().name());
        row.setIcon(traits.icon() == null ? null : traits.icon().name());
        row.setLang(traits.lang());
        row.setLabel(traits.label());
        row.setWordPlaces(traits.places().written());
        row.setQuestion(QuestionColumns.written(traits.question()));
        row.setChoiceRight(traits.mark().right());
        row.setChoicePair(traits.mark().pair());
        row.setPictureHash(traits.picture());
    }

    /** Puts lines in at their places, removed up to now; the steps of a change bring them into the script. */
    void insertRemoved(List<LineStep> steps, long now) {
        for (int i = 0; i < steps.size(); ) {
            int run = 1;
            while (i + run < steps.size() && follows(steps.get(i + run - 1), steps.get(i + run))) {
                run++;
            }
            int position = makeRoom(steps.get(i).after().place(), run);
            for (LineStep step : steps.subList(i, i + run)) {
                insertRemoved(step.lineId(), step.after(), position++, now);
            }
            i += run;
        }
    }

    private static boolean follows(LineStep one, LineStep next) {
        Place place = next.after().place();
        return place.pageId().equals(one.after().place().pageId())
                && one.lineId().equals(place.afterLineId());
    }

    private void insertRemoved(String lineId, LineShape shape, int position, long now) {
        LineRecord row = writing.newRecord(LINE);
        row.setId(lineId);
        row.setPageId(shape.place().pageId());
        row.setPosition(position);
        setTraits(row, shape.traits());
        row.setWords(shape.words());
        row.setRevision(1);
        row.setRemovedAt(now);
        row.insert();
    }

    /** Makes one step of a change; what the step doesn't change is left as it is. */
    void make(LineStep step, long now) {
        LineShape to = step.after();
        Map<Field<?>, Object> values = new HashMap<>();
        if (step.changesWords()) {
            values.put(LINE.WORDS, to.words());
            values.put(LINE.REVISION, LINE.REVISION.plus(1));
        }
        if (step.changesTraits()) {
            LineRecord traits = new LineRecord();
            setTraits(traits, to.traits());
            for (Field<?> field : TRAITS) {
                values.put(field, traits.get(field));
            }
        }
        if (step.before().removed() != to.removed()) {
            values.put(LINE.REMOVED_AT, to.removed() ? now : null);
        }
        if (step.changesKept()) {
            kept.set(step.lineId(), to.keptTakeId());
        }
        if (step.changesPlace()) {
            values.put(LINE.POSITION, makeRoom(to.place(), 1));
            values.put(LINE.PAGE_ID, to.place().pageId());
        }
        if (step.changesStanding()) {
            values.put(LINE.STANDING_LINE_ID, to.standingLineId());
        }
        if (!values.isEmpty()) {
            writing.update(LINE).set(values).where(LINE.ID.eq(step.lineId())).execute();
        }
        if (step.changesWords() && !step.changesStanding() && to.standingLineId() != null) {
            setWords(to.standingLineId(), to.words());
            reachPlaces(to.standingLineId());
        } else if (step.changesWords() || step.changesKept()) {
            reachPlaces(step.lineId());
        }
        if (step.changesStanding() && to.standingLineId() != null) {
            // The standing line may have changed since the step was first made.
            reachPlaces(to.standingLineId());
        }
    }

    void setWords(String lineId, String words) {
        writing.update(LINE)
                .set(LINE.WORDS, words)
                .set(LINE.REVISION, LINE.REVISION.plus(1))
                .where(LINE.ID.eq(lineId))
                .execute();
    }

    void remove(String lineId, long now) {
        writing.update(LINE).set(LINE.REMOVED_AT, now).where(LINE.ID.eq(lineId)).execute();
    }

    /** @param icon null: none any more */
    void setIcon(String lineId, StepIcon icon) {
        writing.update(LINE)
                .set(LINE.ICON, icon == null ? null : icon.name())
                .where(LINE.ID.eq(lineId))
                .execute();
    }

    /** Moves what comes after a place on; answers the first position that is free then. */
    private int makeRoom(Place place, int lines) {
        int after = place.afterLineId() == null
                ? -1
                : writing.select(LINE.POSITION)
                        .from(LINE)
                        .where(LINE.ID.eq(place.afterLineId()), LINE.PAGE_ID.eq(place.pageId()))
                        .fetchOptional(LINE.POSITION)
                        .orElseGet(() -> lastPosition(place.pageId()));
        writing.update(LINE)
                .set(LINE.POSITION, LINE.POSITION.plus(lines))
                .where(LINE.PAGE_ID.eq(place.pageId()), LINE.POSITION.gt(after))
                .execute();
        return after + 1;
    }

    private int lastPosition(String pageId) {
        return looking.select(coalesce(max(LINE.POSITION), -1))
                .from(LINE)
                .where(LINE.PAGE_ID.eq(pageId))
                .fetchSingle(0, Integer.class);
    }

    /**
     * Changes the words unless somebody changed them since {@code revision}; answers whether it did. In a place of a
     * standing line, the standing line's are changed, and with it all its places.
     */
    boolean changeWords(String lineId, int revision, String words) {
        boolean changed = writing.update(LINE)
                        .set(LINE.WORDS, words)
                        .set(LINE.REVISION, LINE.REVISION.plus(1))
                        .where(LINE.ID.eq(lineId), LINE.REVISION.eq(revision))
                        .execute()
                == 1;
        String home = homeOf(lineId);
        if (changed && !home.equals(lineId)) {
            setWords(home, words);
        }
        if (changed) {
            reachPlaces(home);
        }
        return changed;
    }

    /** Makes a take the one that students hear: of the line, or of the standing line whose place it is. */
    void keep(String lineId, String takeId) {
        String home = homeOf(lineId);
        kept.set(home, takeId);
        reachPlaces(home);
    }

    /** The standing line whose place a line is; otherwise the line itself. */
    private String homeOf(String lineId) {
        return looking.select(coalesce(LINE.STANDING_LINE_ID, LINE.ID))
                .from(LINE)
                .where(LINE.ID.eq(lineId))
                .fetchOptional(0, String.class)
                .orElse(lineId);
    }

    /** Gives a standing line's words and take to all its places. */
    private void reachPlaces(String lineId) {
        LineRecord home = looking.fetchOne(LINE, LINE.ID.eq(lineId));
        if (home == null) {
            return;
        }
        List<String> places = looking.select(LINE.ID)
                .from(LINE)
                .where(
                        LINE.STANDING_LINE_ID.eq(lineId),
                        LINE.WORDS.ne(home.getWords()).or(KeptTakeStore.isOtherThan(lineId)))
                .fetch(LINE.ID);
        kept.copy(lineId, places);
        writing.update(LINE)
                .set(LINE.WORDS, home.getWords())
                .set(LINE.REVISION, LINE.REVISION.plus(1))
                .where(LINE.ID.in(places))
                .execute();
    }

    /** From now on a line is a place of a standing line that says the same. */
    void setStanding(String lineId, String standingLineId) {
        writing.update(LINE)
                .set(LINE.STANDING_LINE_ID, standingLineId)
                .where(LINE.ID.eq(lineId))
                .execute();
    }
}
