package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;

/** Who works at the school: added, let in by a link, given a role, kept out. */
class StaffTest extends RunningHouse {
    @org.springframework.beans.factory.annotation.Autowired
    private org.jooq.DSLContext writing;

    @Test
    void somebodyNewSetsHerPasswordOnceAndIsKeptOutAtOnce() throws Exception {
        Visitor ines = Visitor.ines(base());
        assertThat(Visitor.text(ines.form("/school/people", "fullName", " ", "role", "TEACHER")))
                .contains("The name is missing");
        String shown = Visitor.text(ines.form("/school/people", "fullName", "Zoë Quist", "role", "TEACHER"));
        String secret = Visitor.first(shown, "/password/([\\w-]{20,})\"");
        assertThat(ines.page("/school/people")).contains("Zoë Quist").doesNotContain(secret);
        Visitor zoe = new Visitor(base());
        assertThat(zoe.page("/password/" + secret)).contains("Welcome, Zoë Quist", "zoe");
        assertThat(Visitor.text(zoe.form("/password/" + secret, "password", "short")))
                .contains("too short");
        zoe.form("/password/" + secret, "password", "sieben Samen wachen");
        assertThat(zoe.page("/")).as("setting it leads in").contains("Zoë Quist");
        assertThat(zoe.page("/password/" + secret)).contains("This link is over");
        zoe.get("/sign-in");
        zoe.form("/sign-in", "name", "zoe", "password", "sieben Samen wachen");
        String lesson = zoe.lessonOf(zoe.newLine("Zoë's own line"));
        assertThat(zoe.get("/school").statusCode()).isEqualTo(403);
        String id = Visitor.first(ines.page("/school/people"), "(?s)<b>Zoë Quist</b>.*?/school/people/([^/]+)/role");
        ines.form("/school/people/" + id + "/disable");
        assertThat(zoe.get("/lessons/" + lesson).uri().getPath())
                .as("signed out at once")
                .isEqualTo("/sign-in");
        zoe.form("/sign-in", "name", "zoe", "password", "sieben Samen wachen");
        assertThat(zoe.get("/").uri().getPath()).isEqualTo("/sign-in");
        String own = Visitor.first(ines.page("/school/people"), "(?s)<b>Ines Faro</b>.*?/school/people/([^/]+)/role");
        assertThat(Visitor.text(ines.form("/school/people/" + id + "/hand-over", "to", own)))
                .contains("One lesson of Zoë Quist lies on the desk of Ines Faro now");
        assertThat(ines.page("/lessons/" + lesson)).as("her lessons stay").contains("Zoë&#39;s own line");
        assertThat(ines.page("/school/log")).contains("added Zoë Quist", "kept Zoë Quist from coming in");
        ines.form("/lessons/" + lesson + "/remove");
    }

    @Test
    void aSubstituteComesInToOneClassByHerLinkUntilHerTimeIsOver() throws Exception {
        Visitor ines = Visitor.ines(base());
        String terns = "/classes/"
                + Visitor.first(ines.page("/classes"), "(?s)href=\"/classes/([^\"]+)\"[^>]*>(?:(?!</a>).)*Terns");
        String asked = Visitor.text(ines.form(
                terns + "/substitutes",
                "until",
                LocalDate.now().plusDays(3).toString(),
                "note",
                "Yusuf hears <best> left."));
        String link = "/substitute/" + Visitor.first(asked, "/substitute/([\\w-]{20,})\"");
        Visitor mara = new Visitor(base());
        assertThat(mara.get(terns + "/today").uri().getPath()).isEqualTo("/sign-in");
        assertThat(mara.page(link)).contains("You stand in for");
        assertThat(mara.form(link, "name", "  ").statusCode()).isEqualTo(422);
        String today = Visitor.text(mara.form(link, "name", "Mara Lind"));
        assertThat(today)
                .contains("Mara Lind", "Ines Faro writes", "Yusuf hears &lt;best&gt; left.", "have done it", "Hear");
        assertThat(mara.get("/").uri().getPath()).as("it is her desk").isEqualTo(terns + "/today");
        // What the class works on is read, heard and marked; nothing is changed, and no other class is there.
        String script = Visitor.first(today, "href=\"(/lessons/[^\"]+/to-print)\"");
        assertThat(mara.get(script).statusCode()).isEqualTo(200);
        assertThat(mara.get(terns + "/listen").statusCode()).isEqualTo(200);
        assertThat(mara.get(terns + "/settings").statusCode()).isEqualTo(404);
        assertThat(mara.form(terns + "/substitutes").statusCode()).isEqualTo(404);
        assertThat(mara.page("/classes")).doesNotContain("Puffins");
        assertThat(ines.page(terns + "/settings")).contains("Mara Lind", "substitute until");
        assertThat(ines.page("/school/people")).as("she is no staff").doesNotContain("Mara Lind");
        assertThat(ines.page("/school/log")).contains("made a way in for A substitute");
        String id = Visitor.first(ines.page(terns + "/settings"), "(?s)<b>Mara Lind</b>.*?/teachers/([^/]+)/remove");
        Visitor stranger = new Visitor(base());
        stranger.get("/sign-in");
        stranger.form("/sign-in", "name", "substitute-" + id, "password", "");
        assertThat(stranger.get("/").uri().getPath()).isEqualTo("/sign-in");
        // Her time is over by itself: then neither her browser nor her link leads in.
        mara.form(link, "name", "Mara Lind");
        writing.execute("update teacher set ends_at = ? where id = ?", System.currentTimeMillis() - 1, id);
        assertThat(mara.get(terns + "/today").uri().getPath()).isEqualTo("/sign-in");
        assertThat(mara.get(link).statusCode()).isEqualTo(404);
        assertThat(ines.page(terns + "/settings")).doesNotContain("Mara Lind");
        // And at once when her teacher says so.
        String other = Visitor.text(ines.form(terns + "/substitutes", "until", "1999-01-01"));
        String second = "/substitute/" + Visitor.first(other, "/substitute/([\\w-]{20,})\"");
        assertThat(mara.form(second, "name", "Mara Lind").statusCode()).isEqualTo(200);
        String again = Visitor.first(ines.page(terns + "/settings"), "(?s)<b>Mara Lind</b>.*?/teachers/([^/]+)/remove");
        ines.form(terns + "/teachers/" + again + "/remove");
        assertThat(mara.get(terns + "/today").uri().getPath()).isEqualTo("/sign-in");
        assertThat(mara.get(second).statusCode()).isEqualTo(404);
    }

    /** Days and hours are the school's, wherever the server stands; also in the nights in which summer time begins and ends. */
    @Test
    void theSchoolHasATimeZoneAndAnAddressThatCanBeReached() throws Exception {
        Visitor ines = Visitor.ines(base());
        java.util.TimeZone before = java.util.TimeZone.getDefault();
        String[] settings = {"name", "Tern Lane School", "minutes", "10", "keep", "12", "address", "", "timeZone", ""};
        try {
            for (String[] wrong :
                    new String[][] {{"timeZone", "Mars/North"}, {"address", "https://my_school.example"}}) {
                String[] typed = settings.clone();
                typed[wrong[0].equals("address") ? 7 : 9] = wrong[1];
                assertThat(ines.form("/school", typed).statusCode())
                        .as(wrong[1])
                        .isEqualTo(422);
            }
            settings[9] = "Pacific/Auckland";
            assertThat(ines.form("/school", settings).statusCode()).isEqualTo(200);
            String line = ines.newLine("Early");
            String to = Visitor.newClass(ines, "Kiwis");
            for (String at : new String[] {"2026-04-05T02:30", "2026-09-27T02:30", "2026-12-01T08:00"}) {
                ines.form(
                        "/lessons/" + ines.lessonOf(line) + "/give",
                        "to",
                        to,
                        "starts",
                        at,
                        "ends",
                        "2031-01-01T00:00");
            }
            assertThat(writing.fetch("SELECT starts_at, ends_at FROM assignment WHERE class_id = ?", to)
                            .map(row -> java.time.Instant.ofEpochMilli(row.get(0, Long.class))
                                    .toString()))
                    // Of the hour that comes twice the first, and where there is none the one after it.
                    .containsExactlyInAnyOrder("2026-04-04T13:30:00Z", "2026-09-26T14:30:00Z", "2026-11-30T19:00:00Z");
            ines.form("/classes/" + to + "/remove");
        } finally {
            settings[9] = "";
            ines.form("/school", settings);
        }
        assertThat(java.util.TimeZone.getDefault()).isEqualTo(before);
    }

    @Test
    void somebodyAlwaysLooksAfterTheSchool() throws Exception {
        Visitor ines = Visitor.ines(base());
        String people = ines.page("/school/people");
        String own = Visitor.first(people, "(?s)<b>Ines Faro</b>.*?/school/people/([^/]+)/role");
        for (String deed : new String[] {"/disable", "/role?role=AIDE"}) {
            assertThat(Visitor.text(ines.form("/school/people/" + own + deed)))
                    .contains("Somebody has to look after the school");
        }
        Visitor other = Visitor.added(ines, base(), "Olga Other", "ADMIN");
        String olga = Visitor.first(ines.page("/school/people"), "(?s)<b>Olga Other</b>.*?/school/people/([^/]+)/role");
        // Two admins disable each other: one stays.
        other.form("/school/people/" + own + "/disable");
        ines.form("/school/people/" + olga + "/disable");
        other.form("/school/people/" + own + "/enable");
        assertThat(other.page("/school/people")).contains("Olga Other");
        Visitor again = Visitor.ines(base());
        again.form("/school/people/" + olga + "/disable");
        assertThat(again.page("/school")).contains("Tern Lane School");
    }

    @Test
    void everybodyChangesHerOwnNameAndPasswordAndIsSignedOutElsewhere() throws Exception {
        Visitor ines = Visitor.ines(base());
        Visitor vera = Visitor.added(ines, base(), "Vera Vogel", "TEACHER");
        Visitor elsewhere = new Visitor(base());
        elsewhere.get("/sign-in");
        elsewhere.form("/sign-in", "name", "vera", "password", "sieben Samen wachen");
        assertThat(elsewhere.page("/you")).contains("Vera Vogel", "signs in as vera");
        vera.form("/you/name", "fullName", "Vera Vogel-Berg");
        assertThat(vera.page("/you")).contains("Vera Vogel-Berg");
        assertThat(Visitor.text(vera.form("/you/name", "fullName", " "))).contains("The name is missing");
        assertThat(Visitor.text(vera.form("/you/password", "old", "wrong", "password", "acht neue Samen")))
                .contains("That isn&#39;t your password");
        assertThat(Visitor.text(vera.form("/you/password", "old", "sieben Samen wachen", "password", "kurz")))
                .contains("too short");
        vera.form("/you/password", "old", "sieben Samen wachen", "password", "acht neue Samen");
        assertThat(vera.page("/you")).as("here she stays").contains("Vera Vogel-Berg");
        assertThat(elsewhere.get("/you").uri().getPath()).isEqualTo("/sign-in");
        elsewhere.form("/sign-in", "name", "vera", "password", "sieben Samen wachen");
        assertThat(elsewhere.get("/").uri().getPath()).isEqualTo("/sign-in");
        elsewhere.form("/sign-in", "name", "vera", "password", "acht neue Samen");
        assertThat(elsewhere.page("/you")).contains("Vera Vogel-Berg");
    }

    @Test
    void anAideReadsAloudAndPlacesMarksAndChangesNothingElse() throws Exception {
        Visitor ines = Visitor.ines(base());
        Visitor aide = Visitor.added(ines, base(), "Ari Aide", "AIDE");
        String id = Visitor.first(ines.page("/school/people"), "(?s)<b>Ari Aide</b>.*?/school/people/([^/]+)/role");
        String line = ines.newLine("read by Ari");
        String lesson = ines.lessonOf(line);
        assertThat(aide.get("/lessons/" + lesson).statusCode()).isEqualTo(404);
        ines.form("/lessons/" + lesson + "/people", "who", id, "how", "EDIT");
        assertThat(aide.page("/lessons/" + lesson)).contains("read by Ari");
        String stage = Visitor.first(aide.page("/lessons/" + lesson + "/pages/1"), "(/lessons/[^/]+/stages/[^\"]+)\"");
        byte[] spot = ("{\"things\":[{\"kind\":\"SPOT\",\"id\":\"a\",\"mark\":true,\"area\":{\"x\":0.1,\"y\":0.1,"
                        + "\"w\":0.07,\"h\":0.1},\"lineId\":\"" + line + "\"}],\"manner\":{}}")
                .getBytes(java.nio.charset.StandardCharsets.UTF_8);
        assertThat(aide.send("PUT", stage + "?version=0", "application/json", spot)
                        .statusCode())
                .isEqualTo(200);
        assertThat(aide.putForm("/lines/" + line + "/words", "revision", "2", "words", "other words")
                        .statusCode())
                .isEqualTo(404);
        assertThat(Visitor.text(aide.form(stage + "/undo"))).contains("Undone").doesNotContain("SPOT");
        assertThat(Visitor.text(aide.form(stage + "/undo"))).contains("who works on the script");
        assertThat(aide.page("/lessons/" + lesson)).contains("read by Ari");
        assertThat(aide.form("/lessons/" + lesson + "/link").statusCode()).isEqualTo(404);
        assertThat(aide.form("/lessons", "title", "own").statusCode()).isEqualTo(403);
        ines.form("/lessons/" + lesson + "/remove");
    }
}
