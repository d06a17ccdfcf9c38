package prolalia.app.classroom;

import static org.jooq.impl.DSL.coalesce;
import static org.jooq.impl.DSL.nullif;
import static prolalia.app.platform.db.Tables.ANSWER;
import static prolalia.app.platform.db.Tables.ANSWER_PICTURE;
import static prolalia.app.platform.db.Tables.ASSIGNMENT;
import static prolalia.app.platform.db.Tables.HEARD_LINE;
import static prolalia.app.platform.db.Tables.LESSON;
import static prolalia.app.platform.db.Tables.LINE;
import static prolalia.app.platform.db.Tables.NAME_LINE;
import static prolalia.app.platform.db.Tables.PAGE;
import static prolalia.app.platform.db.Tables.REMARK;
import static prolalia.app.platform.db.Tables.RESPONSE;
import static prolalia.app.platform.db.Tables.SCRIPT_CHANGE;
import static prolalia.app.platform.db.Tables.SPOKEN;
import static prolalia.app.platform.db.Tables.STUDENT;
import static prolalia.app.platform.db.Tables.TAKE;
import static prolalia.app.platform.db.Tables.VISIT;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.platform.KeptTakes;
import prolalia.core.answer.AnswerContent;
import prolalia.core.answer.AnswerContent.Stroke;
import tools.jackson.databind.json.JsonMapper;

/** All rows that are about one student. */
@Repository
class StudentFileStore {
    private final DSLContext writing;
    private final DSLContext looking;
    private final JsonMapper json;

    StudentFileStore(DSLContext writing, @Qualifier("looking") DSLContext looking, JsonMapper json) {
        this.json = json;
        this.writing = writing;
        this.looking = looking;
    }

    /** A line that she heard. */
    record Heard(String lesson, String words, int times, LocalDateTime last) {}

    /** A lesson that she opened. */
    record Opened(String lesson, LocalDateTime first, LocalDateTime last) {}

    /** A file of an answer. @param hash in the media store @param name within what is taken out */
    record AnswerFile(String hash, String name) {}

    /**
     * What she answered.
     *
     * @param drawn each line of her pen as the points of a polyline
     */
    record Answered(
            String lesson,
            String question,
            String words,
            LocalDateTime at,
            List<AnswerFile> files,
            List<String> drawn) {}

    List<Answered> answered(String studentId) {
        List<Answered> answered = new ArrayList<>();
        looking.select(LESSON.TITLE, ANSWER.ID, ANSWER.GIVEN, ANSWER.ASKED, ANSWER.AT, ANSWER.RESPONSE_ID)
                .from(ANSWER)
                .join(RESPONSE)
                .on(RESPONSE.ID.eq(ANSWER.RESPONSE_ID))
                .join(ASSIGNMENT)
                .on(ASSIGNMENT.ID.eq(RESPONSE.ASSIGNMENT_ID))
                .join(LESSON)
                .on(LESSON.ID.eq(ASSIGNMENT.LESSON_ID))
                .where(RESPONSE.STUDENT_ID.eq(studentId))
                .orderBy(ANSWER.AT)
                .forEach(row -> {
                    AnswerContent given = json.readValue(row.get(ANSWER.GIVEN), AnswerContent.class);
                    AskedThen asked = json.readValue(row.get(ANSWER.ASKED), AskedThen.class);
                    answered.add(new Answered(
                            row.get(LESSON.TITLE),
                            asked.question(),
                            String.join("; ", given.words(asked.choices())),
                            time(row.get(ANSWER.AT)),
                            files(given, answered.size() + 1),
                            given.drawn().stream()
                                    .map(stroke -> stroke.polyline(Stroke.SHEET_HEIGHT))
                                    .toList()));
                });
        return answered;
    }

    /** What was said back to her, or by her to that. @param file null: it was written */
    record SaidBack(String question, String words, AnswerFile file, LocalDateTime at) {}

    List<SaidBack> saidBack(String studentId) {
        List<SaidBack> all = new ArrayList<>();
        // What was typed to her may have been read since, and corrected.
        Field<String> sound = coalesce(REMARK.SOUND_HASH, nullif(TAKE.SOUND_HASH, TAKE.ORIGINAL_HASH))
                .as("heard");
        Field<String> words = coalesce(nullif(LINE.WORDS, ""), REMARK.WORDS).as("as_it_is");
        looking.select(ANSWER.ASKED, words, sound, REMARK.MADE_AT)
                .from(REMARK)
                .join(ANSWER)
                .on(ANSWER.ID.eq(REMARK.ANSWER_ID))
                .join(RESPONSE)
                .on(RESPONSE.ID.eq(ANSWER.RESPONSE_ID))
                .leftJoin(LINE)
                .on(LINE.ID.eq(REMARK.LINE_ID))
                .leftJoin(TAKE)
                .on(TAKE.ID.eq(KeptTakes.of(LINE.ID)))
                .where(RESPONSE.STUDENT_ID.eq(studentId), REMARK.REMOVED_AT.isNull())
                .orderBy(REMARK.MADE_AT)
                .forEach(row -> all.add(new SaidBack(
                        json.readValue(row.get(ANSWER.ASKED), AskedThen.class).question(),
                        row.get(words),
                        row.get(sound) == null
                                ? null
                                : new AnswerFile(row.get(sound), "remark-" + (all.size() + 1) + ".mp3"),
                        time(row.get(REMARK.MADE_AT)))));
        return all;
    }

    /** The words that were asked. */
    private record AskedThen(String question, Map<String, String> choices) {}

    private List<AnswerFile> files(AnswerContent given, int number) {
        List<AnswerFile> files = new ArrayList<>();
        looking.select(SPOKEN.SOUND_HASH)
                .from(SPOKEN)
                .where(SPOKEN.ID.in(given.spoken()))
                .forEach(row -> files.add(
                        new AnswerFile(row.value1(), "answer-" + number + "-" + (files.size() + 1) + ".mp3")));
        if (given.picture() != null) {
            looking.select(ANSWER_PICTURE.TYPE)
                    .from(ANSWER_PICTURE)
                    .where(ANSWER_PICTURE.HASH.eq(given.picture()))
                    .limit(1)
                    .forEach(row -> files.add(new AnswerFile(
                            given.picture(),
                            "answer-" + number + "." + row.value1().replaceAll(".*/|[+].*", ""))));
        }
        return files;
    }

    List<Heard> heard(String studentId) {
        return looking.select(LESSON.TITLE, LINE.WORDS, HEARD_LINE.TIMES, HEARD_LINE.LAST_AT)
                .from(HEARD_LINE)
                .join(ASSIGNMENT)
                .on(ASSIGNMENT.ID.eq(HEARD_LINE.ASSIGNMENT_ID))
                .join(LESSON)
                .on(LESSON.ID.eq(ASSIGNMENT.LESSON_ID))
                .join(LINE)
                .on(LINE.ID.eq(HEARD_LINE.LINE_ID))
                .where(HEARD_LINE.STUDENT_ID.eq(studentId))
                .orderBy(HEARD_LINE.LAST_AT)
                .fetch(row -> new Heard(
                        row.get(LESSON.TITLE),
                        row.get(LINE.WORDS),
                        row.get(HEARD_LINE.TIMES),
                        time(row.get(HEARD_LINE.LAST_AT))));
    }

    List<Opened> opened(String studentId) {
        return looking.select(LESSON.TITLE, VISIT.OPENED_AT, VISIT.LAST_AT)
                .from(VISIT)
                .join(ASSIGNMENT)
                .on(ASSIGNMENT.ID.eq(VISIT.ASSIGNMENT_ID))
                .join(LESSON)
                .on(LESSON.ID.eq(ASSIGNMENT.LESSON_ID))
                .where(VISIT.STUDENT_ID.eq(studentId))
                .orderBy(VISIT.OPENED_AT)
                .fetch(row -> new Opened(
                        row.get(LESSON.TITLE), time(row.get(VISIT.OPENED_AT)), time(row.get(VISIT.LAST_AT))));
    }

    private static LocalDateTime time(long at) {
        return LocalDateTime.ofInstant(Instant.ofEpochMilli(at), ZoneId.systemDefault());
    }

    /** Those of some students that are here. */
    List<String> present(Collection<String> studentIds) {
        return looking.select(STUDENT.ID)
                .from(STUDENT)
                .where(STUDENT.ID.in(studentIds))
                .fetch(STUDENT.ID);
    }

    /** How she is called. */
    Optional<String> name(String studentId) {
        return looking.select(STUDENT.NAME)
                .from(STUDENT)
                .where(STUDENT.ID.eq(studentId))
                .fetchOptional(STUDENT.NAME);
    }

    /** Deletes all of her but what she handed in and the lines that say her name; answers those. */
    List<String> delete(String studentId) {
        // Also in classes that she left.
        List<String> nameLines = writing.select(NAME_LINE.LINE_ID)
                .from(NAME_LINE)
                .where(NAME_LINE.STUDENT_ID.eq(studentId))
                .fetch(NAME_LINE.LINE_ID);
        // What can be undone in the lessons of these classes holds her name.
        writing.deleteFrom(SCRIPT_CHANGE)
                .where(SCRIPT_CHANGE.LESSON_ID.in(writing.select(PAGE.LESSON_ID)
                        .from(LINE)
                        .join(PAGE)
                        .on(PAGE.ID.eq(LINE.PAGE_ID))
                        .where(LINE.ID.in(nameLines))))
                .execute();
        writing.deleteFrom(STUDENT).where(STUDENT.ID.eq(studentId)).execute();
        return nameLines;
    }
}
