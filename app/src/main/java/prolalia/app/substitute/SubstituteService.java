package prolalia.app.substitute;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.account.CookieSignIns;
import prolalia.app.account.SignedInTeacher;
import prolalia.app.account.StaffMember;
import prolalia.app.account.StaffService;
import prolalia.app.assignment.Assignment;
import prolalia.app.assignment.AssignmentService;
import prolalia.app.assignment.AssignmentService.Overview;
import prolalia.app.classroom.ClassAccess;
import prolalia.app.classroom.ClassService;
import prolalia.app.classroom.SchoolClass;
import prolalia.app.listening.ToHear;
import prolalia.app.platform.Ids;

/** Ways in for substitutes, each to one class and until a day, and what there is to do in a class today. */
@Service
public class SubstituteService {
    static final int USUAL_DAYS = 7;
    static final int MOST_DAYS = 60;
    static final int LONGEST_NOTE = 2_000;

    private final SubstituteStore store;
    private final StaffService staff;
    private final ClassService classes;
    private final ClassAccess access;
    private final AssignmentService assignments;
    private final ToHear toHear;
    private final TransactionTemplate transaction;
    private final Clock clock;

    SubstituteService(
            SubstituteStore store,
            StaffService staff,
            ClassService classes,
            ClassAccess access,
            AssignmentService assignments,
            ToHear toHear,
            TransactionTemplate transaction,
            Clock clock) {
        this.store = store;
        this.staff = staff;
        this.classes = classes;
        this.access = access;
        this.assignments = assignments;
        this.toHear = toHear;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** @param secret of her link; it is known here alone @param until the last day */
    record Asked(SchoolClass schoolClass, String secret, LocalDate until) {}

    /** @param until the last day on which she may come in */
    record Expected(Substitute substitute, SchoolClass schoolClass, LocalDate until) {}

    /**
     * Something that a class works on.
     *
     * @param of how many it was given to
     * @param done how many did all of it
     * @param begun how many began with it, those who did all of it, too
     */
    record Doing(Assignment assignment, int of, int begun, int done) {}

    /**
     * What there is to do in a class today.
     *
     * @param doing what it works on, what ends first before the others
     * @param toHear how many answers nobody marked as yet
     * @param note what is told to whoever stands in, and by whom; null: nothing
     */
    record Today(SchoolClass schoolClass, LocalDate day, List<Doing> doing, int toHear, String note, String noteBy) {}

    /** A link for somebody who isn't named as yet. @param called what she is called until she says her name */
    Asked ask(Teacher teacher, String classId, LocalDate until, String note, String called) {
        SchoolClass to = access.toChange(teacher, classId);
        LocalDate today = LocalDate.now(clock);
        LocalDate last = until == null ? today.plusDays(USUAL_DAYS) : until;
        LocalDate held = last.isBefore(today)
                ? today
                : last.isAfter(today.plusDays(MOST_DAYS)) ? today.plusDays(MOST_DAYS) : last;
        String told = note.strip();
        String secret = Ids.newToken();
        String unknown = staff.unknownPassword();
        transaction.executeWithoutResult(status -> {
            String id = staff.addUntil(teacher, called, endOf(held), unknown);
            classes.addTeacher(teacher, classId, id);
            store.add(
                    CookieSignIns.hash(secret),
                    new Substitute(id, classId, told.substring(0, Math.min(LONGEST_NOTE, told.length())), teacher.id()),
                    clock.millis());
        });
        return new Asked(to, secret, held);
    }

    private static long endOf(LocalDate day) {
        return day.plusDays(1).atStartOfDay(ZoneId.systemDefault()).toInstant().toEpochMilli();
    }

    private static LocalDate lastDay(long endsAt) {
        return java.time.Instant.ofEpochMilli(endsAt - 1)
                .atZone(ZoneId.systemDefault())
                .toLocalDate();
    }

    /** Whom a link lets in; empty: it has ended, or never was. */
    Optional<Expected> expected(String secret) {
        return store.ofSecret(CookieSignIns.hash(secret))
                .flatMap(found -> staff.find(found.teacherId())
                        .filter(member -> member.mayComeIn(clock.millis()))
                        .flatMap(member -> access.find(found.classId())
                                .map(to -> new Expected(found, to, lastDay(member.endsAt())))));
    }

    boolean isName(String name) {
        return staff.isName(name);
    }

    SignedInTeacher comeIn(Expected expected, String name) {
        return staff.asSubstitute(expected.substitute().teacherId(), name.strip());
    }

    /** The class for which somebody stands in; empty: she is no substitute. */
    public Optional<String> classOf(Teacher teacher) {
        return teacher.role().teaches()
                ? Optional.empty()
                : store.ofTeacher(teacher.id()).map(Substitute::classId);
    }

    Today today(Teacher teacher, String classId) {
        SchoolClass of = access.require(teacher, classId);
        long now = clock.millis();
        Overview overview = assignments.overview(teacher, classId);
        List<Doing> doing = java.util.stream.IntStream.range(
                        0, overview.assignments().size())
                .mapToObj(at -> doing(overview, at))
                .filter(each -> each.assignment().due().hasBegun(now)
                        && !each.assignment().due().hasEnded(now))
                .sorted(Comparator.comparing(
                        each -> each.assignment().due().endsAt(), Comparator.nullsLast(Comparator.naturalOrder())))
                .toList();
        int open = toHear.of(teacher).stream()
                .filter(each -> each.schoolClass().id().equals(classId))
                .mapToInt(ToHear.InClass::answers)
                .sum();
        Optional<Substitute> told = store.ofTeacher(teacher.id())
                .or(() -> store.ofClass(classId).stream()
                        .filter(each -> staff.find(each.teacherId())
                                .filter(member -> member.mayComeIn(now))
                                .isPresent())
                        .findFirst())
                .filter(each -> each.classId().equals(classId) && !each.note().isEmpty());
        return new Today(
                of,
                LocalDate.now(clock),
                doing,
                open,
                told.map(Substitute::note).orElse(null),
                told.flatMap(each -> staff.find(each.madeBy()))
                        .map(StaffMember::fullName)
                        .orElse(null));
    }

    private static Doing doing(Overview overview, int at) {
        List<AssignmentService.Cell> given = overview.rows().stream()
                .map(row -> row.cells().get(at))
                .filter(AssignmentService.Cell::given)
                .toList();
        return new Doing(
                overview.assignments().get(at),
                given.size(),
                (int) given.stream().filter(cell -> cell.progress().opened()).count(),
                (int) given.stream().filter(cell -> cell.progress().isDone()).count());
    }
}
