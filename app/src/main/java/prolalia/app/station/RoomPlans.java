package prolalia.app.station;

import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import prolalia.app.access.LessonRef;

/** What other rooms ask of rotations. */
@Component
public class RoomPlans {
    private final RotationStore store;

    RoomPlans(RotationStore store) {
        this.store = store;
    }

    /** Whether groups go from each station of a lesson to the next. */
    public boolean areMade(LessonRef lesson) {
        return store.of(lesson).map(plan -> !plan.groups().isEmpty()).orElse(false);
    }

    /** @param names of groups, one in each row; each group is everywhere once */
    @Transactional
    public void plan(LessonRef lesson, String names, int minutes) {
        store.keep(lesson, new RotationPlan(RotationPlan.named(names, 0), minutes, 0, null, null));
    }
}
