package prolalia.app.station;

import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What other rooms ask of rotations. */
@Component
public class RoomPlans {
    private final RotationStore store;

    RoomPlans(RotationStore store) {
        this.store = store;
    }

    /** Whether groups go from each station of a lesson to the next. */
    public boolean areMade(String lessonId) {
        return store.of(lessonId).map(plan -> !plan.groups().isEmpty()).orElse(false);
    }

    /** @param names of groups, one in each row; each group is everywhere once */
    @Transactional
    public void plan(String lessonId, String names, int minutes) {
        store.keep(lessonId, new RotationPlan(RotationPlan.named(names, 0), minutes, 0, null, null));
    }
}
