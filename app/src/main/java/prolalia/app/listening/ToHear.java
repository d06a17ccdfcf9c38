package prolalia.app.listening;

import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.classroom.ClassService;
import prolalia.app.classroom.SchoolClass;
import prolalia.app.response.OpenAnswers;

/** What there is to hear in a teacher's classes, as her desk says it. */
@Service
public class ToHear {
    private static final int MOST_NAMED = 3;

    private final ClassService classes;
    private final OpenAnswers openAnswers;

    ToHear(ClassService classes, OpenAnswers openAnswers) {
        this.classes = classes;
        this.openAnswers = openAnswers;
    }

    /** @param byChild how many answers of each child nobody marked as yet, by her name; who waits longest comes first */
    public record InClass(SchoolClass schoolClass, Map<String, Integer> byChild) {
        public int answers() {
            return byChild.values().stream().mapToInt(Integer::intValue).sum();
        }

        /** Those who wait longest; all of them where only one more would be left. */
        public List<String> named() {
            int most = byChild.size() == MOST_NAMED + 1 ? byChild.size() : MOST_NAMED;
            return byChild.keySet().stream().limit(most).toList();
        }

        public int unnamed() {
            return byChild.size() - named().size();
        }
    }

    /** Classes without any are missing. */
    public List<InClass> of(Teacher teacher) {
        List<SchoolClass> hers = classes.of(teacher);
        Map<String, Map<String, Integer>> open = openAnswers.byClass(hers);
        return hers.stream()
                .filter(each -> open.containsKey(each.id()))
                .map(each -> new InClass(each, open.get(each.id())))
                .toList();
    }
}
