package prolalia.app.lesson;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.access.LessonAccess;
import prolalia.app.access.LessonRef;
import prolalia.app.access.Membership;
import prolalia.app.access.Right;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.account.StaffMember;
import prolalia.app.account.StaffService;
import prolalia.app.platform.NotFoundException;
import prolalia.app.school.AuditLog;
import prolalia.app.school.AuditLog.Deed;

/** Lessons that colleagues use, or work on together; and lessons that go over to somebody else. */
@Service
public class LessonSharing {
    private final LessonAccess access;
    private final MemberStore members;
    private final StaffService staff;
    private final AuditLog audit;

    LessonSharing(LessonAccess access, MemberStore members, StaffService staff, AuditLog audit) {
        this.access = access;
        this.members = members;
        this.staff = staff;
        this.audit = audit;
    }

    /** Who belongs to a lesson, its owner first. */
    public List<Member> members(Teacher teacher, String lessonId) {
        return members.of(access.require(teacher, lessonId, Right.READ));
    }

    public boolean isOwner(Teacher teacher, String lessonId) {
        return members(teacher, lessonId).stream()
                .anyMatch(member -> member.teacherId().equals(teacher.id()) && member.membership() == Membership.OWN);
    }

    /** The names of the owners of lessons that are shared with somebody, by lesson. */
    public Map<String, String> ownersOfShared(Teacher teacher, Collection<String> lessonIds) {
        return members.ownersOfShared(teacher.id(), lessonIds);
    }

    /** With whom it could be shared. */
    public List<StaffMember> others(Teacher teacher, String lessonId) {
        List<String> there =
                members(teacher, lessonId).stream().map(Member::teacherId).toList();
        return staff.all().stream()
                .filter(member -> !member.disabled() && !there.contains(member.id()))
                .toList();
    }

    /** An aide works on it together with the others; what that is for her, her role says. */
    @Transactional
    public void share(Teacher teacher, String lessonId, String withId, Membership how) {
        LessonRef lesson = access.require(teacher, lessonId, Right.REMOVE);
        StaffMember with = needs(withId);
        if (how == Membership.OWN) {
            throw new NotFoundException("membership");
        }
        members.set(lesson, with.id(), with.role().teaches() ? how : Membership.EDIT);
        audit.note(teacher.id(), Deed.LESSON_SHARED, lesson.summary().title() + " → " + with.fullName());
    }

    @Transactional
    public void unshare(Teacher teacher, String lessonId, String withId) {
        LessonRef lesson = teacher.id().equals(withId)
                ? access.require(teacher, lessonId, Right.READ)
                : access.require(teacher, lessonId, Right.REMOVE);
        members.remove(lesson, withId);
        audit.note(teacher.id(), Deed.LESSON_UNSHARED, lesson.summary().title());
    }

    /** What went from whom to whom. */
    record HandedOver(int lessons, String from, String to) {}

    @Transactional
    public HandedOver handOver(Teacher admin, String fromId, String toId) {
        StaffMember from = staff.find(fromId).orElseThrow(() -> new NotFoundException("teacher"));
        StaffMember to = needs(toId);
        if (!to.role().teaches() || from.id().equals(to.id())) {
            throw new NotFoundException("teacher to hand over to");
        }
        int lessons = members.handOver(from.id(), to.id());
        audit.note(admin.id(), Deed.LESSONS_HANDED_OVER, from.fullName() + " → " + to.fullName() + ": " + lessons);
        return new HandedOver(lessons, from.fullName(), to.fullName());
    }

    private StaffMember needs(String id) {
        return staff.find(id).filter(member -> !member.disabled()).orElseThrow(() -> new NotFoundException("teacher"));
    }
}
