package prolalia.app.school;

import static prolalia.app.platform.db.Tables.AUDIT_ENTRY;
import static prolalia.app.platform.db.Tables.TEACHER;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;

/** Who did what that the school should be able to ask for later. Entries name people as they were called then. */
@Repository
public class AuditLog {
    private static final int SHOWN = 500;

    private final DSLContext writing;
    private final DSLContext looking;
    private final Clock clock;

    AuditLog(DSLContext writing, @Qualifier("looking") DSLContext looking, Clock clock) {
        this.writing = writing;
        this.looking = looking;
        this.clock = clock;
    }

    /** The log of a database that is open otherwise. */
    public static AuditLog in(DSLContext database, Clock clock) {
        return new AuditLog(database, database, clock);
    }

    /** The words stand in the message bundle under {@code audit.} and the name. */
    public enum Deed {
        STAFF_ADDED,
        STAFF_LINK,
        STAFF_DISABLED,
        STAFF_ENABLED,
        STAFF_ROLE,
        SUBSTITUTE_ADDED,
        LESSONS_HANDED_OVER,
        SCHOOL_SETTINGS,
        LESSON_SHARED,
        LESSON_UNSHARED,
        CLASS_MADE,
        CLASS_CHANGED,
        CLASS_REMOVED,
        STUDENTS_ADDED,
        STUDENT_RENAMED,
        STUDENT_MOVED,
        STUDENT_REMOVED,
        STUDENT_EXPORTED,
        STUDENT_LET_IN,
        KEYS_RENEWED,
        DOOR_RENEWED,
        ACCOMMODATION,
        LINK_GIVEN,
        LINK_WITHDRAWN,
        LESSON_REMOVED,
        GIVEN,
        TAKEN_BACK,
        MARK_OVERRULED
    }

    private static final List<String> ABOUT_STUDENTS = Stream.of(
                    Deed.STUDENT_RENAMED,
                    Deed.STUDENT_MOVED,
                    Deed.STUDENT_EXPORTED,
                    Deed.STUDENT_LET_IN,
                    Deed.KEYS_RENEWED,
                    Deed.ACCOMMODATION)
            .map(Deed::name)
            .toList();

    /** @param about whom or what, in words */
    public record Entry(LocalDateTime at, String who, Deed deed, String about) {}

    public void note(String teacherId, Deed deed, String about) {
        note(TEACHER.ID.eq(teacherId), deed, about);
    }

    /** @param signInName of whoever did it */
    void noteBy(String signInName, Deed deed, String about) {
        note(TEACHER.SIGN_IN_NAME.eq(signInName), deed, about);
    }

    private void note(Condition whose, Deed deed, String about) {
        String who = looking.select(TEACHER.FULL_NAME)
                .from(TEACHER)
                .where(whose)
                .fetchOptional(TEACHER.FULL_NAME)
                .orElse("");
        noteOf(who, deed, about);
    }

    /** @param who in words */
    public void noteOf(String who, Deed deed, String about) {
        writing.insertInto(AUDIT_ENTRY)
                .set(AUDIT_ENTRY.AT, clock.millis())
                .set(AUDIT_ENTRY.WHO, who)
                .set(AUDIT_ENTRY.DEED, deed.name())
                .set(AUDIT_ENTRY.ABOUT, about)
                .execute();
    }

    /** In what was noted about students one is called otherwise from now on; where a name is a part of another it stays. */
    public void rename(String name, String by) {
        writing.select(AUDIT_ENTRY.ID, AUDIT_ENTRY.ABOUT)
                .from(AUDIT_ENTRY)
                .where(AUDIT_ENTRY.DEED.in(ABOUT_STUDENTS), AUDIT_ENTRY.ABOUT.contains(name))
                .fetch()
                .forEach(row -> {
                    String about = row.get(AUDIT_ENTRY.ABOUT);
                    String renamed = whole(name).matcher(about).replaceAll(Matcher.quoteReplacement(by));
                    if (!renamed.equals(about)) {
                        writing.update(AUDIT_ENTRY)
                                .set(AUDIT_ENTRY.ABOUT, renamed)
                                .where(AUDIT_ENTRY.ID.eq(row.get(AUDIT_ENTRY.ID)))
                                .execute();
                    }
                });
    }

    /** A name among others, or before where she went. */
    private static Pattern whole(String name) {
        return Pattern.compile("(?<=^|, )" + Pattern.quote(name) + "(?=$|, | → | ← )");
    }

    /** The last ones, newest first. */
    List<Entry> newest() {
        return looking.selectFrom(AUDIT_ENTRY)
                .orderBy(AUDIT_ENTRY.ID.desc())
                .limit(SHOWN)
                .fetch(row -> new Entry(
                        LocalDateTime.ofInstant(Instant.ofEpochMilli(row.getAt()), ZoneId.systemDefault()),
                        row.getWho(),
                        Deed.valueOf(row.getDeed()),
                        row.getAbout()));
    }
}
