package prolalia.app.attack;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import prolalia.app.web.Visitor;

/**
 * A class of the demo's teacher that is given the form "Weather tools".
 *
 * @param question one that is answered in words
 */
record Pupils(
        Visitor teacher,
        String schoolClass,
        String door,
        List<String> ids,
        String lesson,
        String given,
        String question) {
    static Pupils of(Target target, String name, int children) throws Exception {
        Visitor ines = target.ines();
        String schoolClass = Visitor.newClass(ines, name);
        String names =
                IntStream.range(0, children).mapToObj(i -> name + "kid" + i).collect(Collectors.joining("\n"));
        ines.form("/classes/" + schoolClass + "/students", "names", names);
        List<String> ids =
                Visitor.all(ines.page("/classes/" + schoolClass), "/classes/" + schoolClass + "/students/([^\"/]+)\"");
        String door = Visitor.first(ines.page("/classes/" + schoolClass + "/door"), "/door/([\\w-]{20,})\"");
        String lesson = Visitor.first(ines.page("/?all=true"), "href=\"/lessons/([^\"]+)\">\\s*<b>Weather tools");
        String given = Visitor.first(
                ines.form("/lessons/" + lesson + "/give", "to", schoolClass)
                        .uri()
                        .getQuery(),
                "given=([^&]+)");
        Visitor first = Visitor.child(ines, schoolClass, ids.get(0));
        String question = Visitor.first(first.page("/my/" + given + "/3"), "data-question=\"([^\"]+)\"");
        return new Pupils(ines, schoolClass, door, ids, lesson, given, question);
    }

    Visitor child(int number) throws Exception {
        return Visitor.child(teacher, schoolClass, ids.get(number));
    }

    /** Answers; says whether that was acknowledged. */
    boolean answers(Visitor child, String typed) throws Exception {
        return child.send(
                                "PUT",
                                "/my/" + given + "/answers/" + question + "/" + UUID.randomUUID(),
                                "application/json",
                                ("{\"typed\":\"" + typed + "\"}").getBytes(StandardCharsets.UTF_8))
                        .statusCode()
                == 200;
    }
}
