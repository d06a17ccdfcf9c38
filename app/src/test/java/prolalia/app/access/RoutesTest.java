package prolalia.app.access;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.UUID;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.http.HttpMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import prolalia.app.access.Routes.Route;
import prolalia.app.access.Routes.Who;
import prolalia.app.account.AccountService;
import prolalia.app.web.RunningHouse;
import prolalia.app.web.Visitor;

/** Every address there is, asked for by those who may not: nobody, a second teacher, a guest, a phone. */
class RoutesTest extends RunningHouse {
    private static final String HASH = "0".repeat(64);

    /** Whatever a request may need beside its address. */
    private static final String FIELDS =
            "&words=w&revision=1&kind=QUESTION&name=a.wav&title=t&shows=s&startMs=0&endMs=90&atMs=40&index=0"
                    + "&at=1&page=1&version=1&after=0&since=0&readingMs=1&wait=0&switches=1&shown=0&over=0&keep=false&wanted=true&lit=BOTH"
                    + "&bring=true&away=true&word=w&url=u&text=x&place=x&pages=1&other=o&format=json&as=mp3&address=&icon=LOOK&lang=de&label=1.&later=true&recording=r&phone=p"
                    + "&made=PAGES&press=START&what=ALL&chunks=1&to=&by=NUMBER&points=1&key=7&required=true&pair=1&layout=ONE&feedback=EACH&reward=STARS&tries=1&seconds=9&where=AT_END&width=1&height=1&answer=a&lesson=l";

    private static final Map<String, String> JSON = Map.of(
            "/takes/{id}/edits", "{\"kind\":\"CUT\",\"startMs\":10,\"endMs\":60,\"db\":0,\"on\":false}",
            "PUT /lessons/{id}/stages/{ownerId}/words/{lineId}", "{\"seen\":[],\"areas\":[]}",
            "POST /lessons/{id}/stages/{ownerId}/words/{lineId}",
                    "{\"seen\":[],\"part\":{\"x\":0,\"y\":0,\"w\":1,\"h\":1}}",
            "/lines/{id}/word-times", "[]",
            "/lines/{id}/word-times/taps", "[1]",
            "/lessons/{id}/stages/{ownerId}", "{\"version\":1,\"things\":[],\"rule\":{},\"manner\":{},\"name\":\"x\"}",
            "/papers/{id}/pages/{number}/lines", "{\"deed\":\"UNDO\"}",
            "/read-throughs/{token}/messages", "{}",
            "/phone/{token}/messages", "{}",
            "/my/{id}/answers/{questionId}/{answerId}", "{}");

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    private RequestMappingHandlerMapping mappings;

    @Autowired
    private AccountService accounts;

    private Visitor ines;
    private Visitor second;
    private String lesson;
    private String line;
    private String take;
    private String page;
    private String recording;
    private String longRecording;
    private String batch;
    private String paper;
    private String reading;
    private String phoneReading;
    private String link;
    private String otherLink;
    private String schoolClass;
    private String student;
    private String group;
    private String assignment;
    private String door;
    private Visitor child;
    private Visitor otherChild;

    @BeforeAll
    void whatBelongsToInes() throws Exception {
        ines = Visitor.ines(base());
        line = ines.newLine("the root");
        lesson = ines.lessonOf(line);
        byte[] root = Files.readAllBytes(voice("bean-2c"));
        take = Visitor.first(ines.record(line, "root.wav", root), "data-take=\"([^\"]+)\"");
        ines.form("/takes/" + take + "/keep");
        page = Visitor.first(ines.page("/lessons/" + lesson + "/pages/1"), "/stages/([^\"]+)\"");
        recording = UUID.randomUUID().toString();
        ines.send("PUT", "/recordings/" + recording + "/chunks/0?line=" + line, "audio/wav", root);
        longRecording = brought("long-recordings", "?name=a.wav", root);
        batch = brought("batches", "/files/0?name=a.wav", root);
        paper = brought("papers", "?name=bakery.pdf", new byte[] {1, 2, 3});
        reading = phone(ines, lesson, line);
        link = link(ines, lesson);
        String name = "second" + System.nanoTime();
        accounts.add("Second Teacher", name, "sieben Samen wachen");
        second = new Visitor(base());
        second.get("/sign-in");
        second.form("/sign-in", "name", name, "password", "sieben Samen wachen");
        String ownLine = second.newLine("my own");
        String ownLesson = second.lessonOf(ownLine);
        phoneReading = phone(second, ownLesson, ownLine);
        otherLink = link(second, ownLesson);
        peopleOfInes();
    }

    private void peopleOfInes() throws Exception {
        schoolClass = Visitor.newClass(ines, "Wagtails");
        String at = "/classes/" + schoolClass;
        ines.form(at + "/students", "names", "Ada\nBo");
        student = Visitor.first(ines.page(at), at + "/students/([^\"]+)\"");
        ines.form(at + "/groups", "name", "Reds", "student", student);
        group = Visitor.first(ines.page(at + "/groups"), at + "/groups/([0-9a-f-]{36})\"");
        ines.form("/lessons/" + lesson + "/give", "to", schoolClass);
        assignment = Visitor.first(ines.page(at + "/given"), "/assignments/([^/]+)/first");
        door = Visitor.first(ines.page(at + "/door"), "/door/([\\w-]{20,})\"");
        child = Visitor.child(ines, schoolClass, student);
        String theirs = Visitor.newClass(second, "Others");
        second.form("/classes/" + theirs + "/students", "names", "Cleo");
        String cleo = Visitor.first(second.page("/classes/" + theirs), "/students/([^\"]+)\"");
        otherChild = Visitor.child(second, theirs, cleo);
    }

    private String brought(String what, String rest, byte[] content) throws Exception {
        String id = UUID.randomUUID().toString();
        ines.send("PUT", "/lessons/" + lesson + "/" + what + "/" + id + rest, "application/octet-stream", content);
        return id;
    }

    private static String phone(Visitor teacher, String lesson, String line) throws Exception {
        return Visitor.first(
                Visitor.text(teacher.form("/lessons/" + lesson + "/read/phone", "line", line)),
                "data-token=\"([^\"]+)\"");
    }

    private static String link(Visitor teacher, String lesson) throws Exception {
        return teacher.linkTo(lesson).substring("/l/".length());
    }

    /** An address of hers, as the table has it, with her own ids in it. */
    private String address(Route route, String token) {
        String id =
                switch (route.pattern().split("/").length > 1 ? route.pattern().split("/")[1] : "") {
                    case "lessons" ->
                        route.pattern().startsWith("/lessons/{lessonId}")
                                ? UUID.randomUUID().toString()
                                : lesson;
                    case "lines" -> line;
                    case "takes" -> take;
                    case "pages" -> page;
                    case "recordings", "phone" -> recording;
                    case "long-recordings" -> longRecording;
                    case "batches" -> batch;
                    case "papers" -> paper;
                    case "classes" -> schoolClass;
                    case "assignments", "my" -> assignment;
                    case "school", "folders" -> "none";
                    default -> "none";
                };
        return route.pattern()
                        .replace("{id}", id)
                        .replace("{lessonId}", lesson)
                        .replace("{lineId}", line)
                        .replace("{pageId}", page)
                        .replace("{ownerId}", page)
                        .replace("{hash}", HASH)
                        .replace("{number}", "1")
                        .replace("{sound}", "0")
                        .replace("{studentId}", student)
                        .replace("{groupId}", group)
                        .replace("{questionId}", line)
                        .replace("{answerId}", UUID.randomUUID().toString())
                        .replace("{recordingId}", recording)
                        .replace("{teacherId}", "none")
                        .replace("{card}", "none")
                        .replace("{code}", token)
                        .replace("{type}", "png")
                        .replace("{percent}", "50")
                        .replace("{part}", "title")
                        .replace("{made}", "none")
                        .replace("{remarkId}", "none")
                        .replace("{token}", token)
                + "?line=" + line + "&lines=" + line + "&take=" + take + "&lineId=" + line + "&thing=x" + FIELDS;
    }

    private int ask(Visitor who, Route route, String address) throws Exception {
        if (route.method().equals(HttpMethod.GET)) {
            return who.get(address).statusCode();
        }
        String json = route.method().equals(HttpMethod.DELETE)
                ? null
                : JSON.getOrDefault(route.method() + " " + route.pattern(), JSON.get(route.pattern()));
        HttpResponse<byte[]> answer = who.send(
                route.method().name(),
                address,
                json == null ? "application/octet-stream" : "application/json",
                json == null ? new byte[] {1} : json.getBytes(StandardCharsets.UTF_8));
        return answer.statusCode();
    }

    private static List<Route> of(Who... who) {
        return Routes.ALL.stream()
                .filter(route -> List.of(who).contains(route.who()))
                .toList();
    }

    @Test
    void theTableHasEveryAddressThatIsAnsweredAndNoOther() {
        TreeSet<String> answered = new TreeSet<>();
        mappings.getHandlerMethods().forEach((mapping, method) -> {
            if (method.getBeanType().getName().startsWith("prolalia.")) {
                mapping.getPatternValues()
                        .forEach(pattern -> mapping.getMethodsCondition()
                                .getMethods()
                                .forEach(verb -> answered.add(verb.name() + " "
                                        + pattern.replaceAll(":(\\[0-9]\\{1,\\d}|png\\|svg|csv\\|xlsx)", ""))));
            }
        });
        TreeSet<String> listed = new TreeSet<>();
        Routes.ALL.forEach(route -> listed.add(route.method().name() + " " + route.pattern()));
        assertThat(listed).isEqualTo(answered).hasSize(Routes.ALL.size());
    }

    @Test
    void nobodyGetsWhatIsATeachers() throws Exception {
        List<String> open = new ArrayList<>();
        Visitor nobody = new Visitor(base());
        for (Route route : of(Who.STAFF, Who.TEACHER, Who.ADMIN, Who.OWNER, Who.CLASS)) {
            nobody.get("/sign-in");
            HttpResponse<byte[]> answer =
                    route.method().equals(HttpMethod.GET) ? nobody.get(address(route, reading)) : null;
            boolean shut = answer == null
                    ? List.of(401, 403).contains(ask(nobody, route, address(route, reading)))
                    : answer.uri().getPath().equals("/sign-in");
            if (!shut) {
                open.add(route.method() + " " + route.pattern());
            }
        }
        assertThat(open).isEmpty();
    }

    @Test
    void whatBelongsToOneTeacherIsNotThereForASecond() throws Exception {
        List<String> open = new ArrayList<>();
        for (Route route : of(Who.OWNER, Who.CLASS)) {
            int status = ask(second, route, address(route, reading));
            if (status != 404) {
                open.add(route.method() + " " + route.pattern() + " " + status);
            }
        }
        assertThat(open).isEmpty();
        // Nothing of it was touched on the way.
        assertThat(ines.page("/lessons/" + lesson)).contains("the root", "1 of 1 voiced");
        assertThat(ines.page("/recordings/unfinished")).doesNotContain("Exception");
    }

    @Test
    void whatIsForAdminsAndTeachersIsShutForOthersOfTheSchool() throws Exception {
        Visitor aide = Visitor.added(ines, base(), "An Aide", "AIDE");
        List<String> open = new ArrayList<>();
        for (Route route : of(Who.ADMIN)) {
            if (ask(second, route, address(route, reading)) != 403) {
                open.add("teacher: " + route.method() + " " + route.pattern());
            }
        }
        for (Route route : of(Who.ADMIN, Who.TEACHER)) {
            if (ask(aide, route, address(route, reading)) != 403) {
                open.add("aide: " + route.method() + " " + route.pattern());
            }
        }
        assertThat(open).isEmpty();
    }

    @Test
    void aChildMeetsWhatWasGivenToHerAndNothingElse() throws Exception {
        List<String> open = new ArrayList<>();
        for (Route route : of(Who.STUDENT)) {
            int outside = ask(new Visitor(base()), route, address(route, reading));
            if (!route.pattern().equals("/my/leave") && outside != 401) {
                open.add("outside: " + route.pattern() + " " + outside);
            }
            int other = route.pattern().contains("{id}") ? ask(otherChild, route, address(route, reading)) : 404;
            if (other != 404) {
                open.add("another class's: " + route.pattern() + " " + other);
            }
        }
        for (Route route : of(Who.STAFF, Who.TEACHER, Who.ADMIN, Who.OWNER, Who.CLASS)) {
            int status = ask(child, route, address(route, reading));
            boolean shut = List.of(401, 403).contains(status)
                    || route.method().equals(HttpMethod.GET)
                            && child.get(address(route, reading))
                                    .uri()
                                    .getPath()
                                    .equals("/sign-in");
            if (!shut) {
                open.add("a teacher's: " + route.method() + " " + route.pattern() + " " + status);
            }
        }
        assertThat(open).isEmpty();
        assertThat(child.get("/my/" + assignment).statusCode()).isEqualTo(200);
    }

    @Test
    void aDoorOpensItsOwnClassAlone() throws Exception {
        String other = Visitor.first(
                second.page(
                        "/classes/" + Visitor.first(second.page("/classes"), "href=\"/classes/([^\"]+)\"") + "/door"),
                "/door/([\\w-]{20,})\"");
        List<String> open = new ArrayList<>();
        for (Route route : of(Who.DOOR)) {
            Visitor guest = new Visitor(base());
            if (ask(guest, route, address(route, "nowhere")) != 404) {
                open.add("nowhere: " + route.pattern());
            }
            boolean names =
                    route.pattern().contains("{studentId}") || route.pattern().contains("{card}");
            if (names && ask(guest, route, address(route, other)) != 404) {
                open.add("another class's: " + route.pattern());
            }
        }
        assertThat(open).isEmpty();
        assertThat(new Visitor(base()).page("/door/" + door)).contains("Ada", "Bo");
    }

    @Test
    void aLinkOpensItsOwnLessonAlone() throws Exception {
        List<String> open = new ArrayList<>();
        Visitor guest = new Visitor(base());
        for (Route route : of(Who.LINK)) {
            if (ask(guest, route, address(route, "nowhere")) != 404) {
                open.add("nowhere: " + route.pattern());
            }
            boolean namesSomething =
                    route.pattern().contains("{lineId}") || route.pattern().contains("{hash}");
            if (namesSomething && ask(guest, route, address(route, otherLink)) != 404) {
                open.add("another lesson's: " + route.pattern());
            }
        }
        assertThat(open).isEmpty();
        assertThat(new Visitor(base()).get("/l/" + link + "/words/" + line).statusCode())
                .isEqualTo(200);
    }

    @Test
    void aPhoneReachesItsOwnReadingAlone() throws Exception {
        List<String> open = new ArrayList<>();
        Visitor phone = new Visitor(base());
        for (Route route : of(Who.PHONE)) {
            int late = ask(phone, route, address(route, "nowhere"));
            if (late != 404 && late != 410) {
                open.add("nowhere: " + route.pattern() + " " + late);
            }
            boolean namesSomething =
                    route.pattern().contains("{id}") || route.pattern().contains("{hash}");
            int status = namesSomething ? ask(phone, route, address(route, phoneReading)) : 404;
            if (status != 404) {
                open.add("another reading's: " + route.pattern() + " " + status);
            }
        }
        assertThat(open).isEmpty();
        // What is a teacher's is none of a phone's business.
        phone.get("/phone/" + phoneReading);
        assertThat(phone.get("/lessons/" + lesson).uri().getPath()).isEqualTo("/sign-in");
    }
}
