package prolalia.app.listening;

import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.classroom.ClassService;
import prolalia.app.classroom.SchoolClass;
import prolalia.app.response.ResultsService;

/** What there is to hear in a teacher's classes, as her desk says it. */
@Service
public class ToHear {
    private final ClassService classes;
    private final ResultsService results;

    ToHear(ClassService classes, ResultsService results) {
        this.classes = classes;
        this.results = results;
    }

    /** @param answers that nobody marked as yet */
    public record InClass(SchoolClass schoolClass, int answers) {}

    /** Classes without any are missing. */
    public List<InClass> of(Teacher teacher) {
        List<SchoolClass> hers = classes.of(teacher);
        Map<String, Integer> open = results.openByClass(hers);
        return hers.stream()
                .filter(each -> open.containsKey(each.id()))
                .map(each -> new InClass(each, open.get(each.id())))
                .toList();
    }
}
