package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.DecodeHintType;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import java.awt.image.BufferedImage;
import java.net.URI;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Who teaches a class, who is in it, and to whom of it something is given. */
class ClassPeopleTest extends RunningHouse {
    private final List<String> made = new ArrayList<>();
    private Visitor ines;
    private String bean;

    @BeforeAll
    void enter() throws Exception {
        ines = Visitor.ines(base());
        bean = Visitor.first(ines.page("/?all=true"), "href=\"/lessons/([^\"]+)\">\\s*<b>How a bean wakes up");
    }

    @AfterAll
    void leave() throws Exception {
        for (String at : made) {
            ines.form(at + "/remove");
        }
    }

    private String classOf(String name, String... children) throws Exception {
        String at = "/classes/" + Visitor.newClass(ines, name);
        made.add(at);
        ines.form(at + "/students", "names", String.join("\n", children));
        return at;
    }

    private static String id(String at) {
        return at.substring("/classes/".length());
    }

    private List<String> students(String at) throws Exception {
        List<String> found = new ArrayList<>();
        Matcher links = Pattern.compile(at + "/students/([^\"/]+)\"").matcher(ines.page(at));
        while (links.find()) {
            if (!found.contains(links.group(1))) {
                found.add(links.group(1));
            }
        }
        return found;
    }

    private static int tasks(Visitor child) throws Exception {
        return child.page("/my").split("class=\"task\"", -1).length - 1;
    }

    /** Where the code on the only card of a class leads, read off the sheet. */
    private static String codeOnCard(Visitor teacher, String at) throws Exception {
        try (var sheet = Loader.loadPDF(teacher.get(at + "/cards.pdf").body())) {
            var things = sheet.getPage(0).getResources();
            BufferedImage code = ((PDImageXObject) things.getXObject(
                            things.getXObjectNames().iterator().next()))
                    .getImage();
            int[] points = code.getRGB(0, 0, code.getWidth(), code.getHeight(), null, 0, code.getWidth());
            var light = new RGBLuminanceSource(code.getWidth(), code.getHeight(), points);
            String address = new QRCodeReader()
                    .decode(new BinaryBitmap(new HybridBinarizer(light)), Map.of(DecodeHintType.PURE_BARCODE, true))
                    .getText();
            return URI.create(address).getPath();
        }
    }

    @Test
    void aCardIsEnoughWhereTheTeacherSaysSo() throws Exception {
        String at = classOf("Smallest", "Ada");
        String card = codeOnCard(ines, at);
        Visitor child = new Visitor(base());
        assertThat(child.page(card)).as("the key is asked for").contains("Your picture key", "Ada");
        child.form(card);
        assertThat(child.page("/my")).contains("There is no door here");
        ines.form(at + "/settings", "name", "Smallest", "idle", "999", "picture", "SNAIL");
        assertThat(ines.page(at + "/settings")).as("at most two hours").contains("value=\"120\"");
        assertThat(ines.page(at + "/door")).contains("Its code lets the child in at once");
        assertThat(child.page(card)).contains("id=\"card-form\"");
        child.form(card);
        assertThat(child.page("/my")).contains("Ada");
        ines.form(at + "/keys", "student", students(at).get(0));
        assertThat(child.page("/my")).as("the card was lost").contains("There is no door here");
        assertThat(child.form(card).statusCode()).isEqualTo(404);
        assertThat(codeOnCard(ines, at)).isNotEqualTo(card);
    }

    @Test
    void aChildIsInSeveralClassesAndGoesOnToTheNextYear() throws Exception {
        String at = classOf("Swifts", "Ada", "Bo", "Cleo");
        String other = classOf("Choir", "Dora");
        List<String> children = students(at);
        String ada = at + "/students/" + children.get(0);
        ines.form(ada + "/move", "target", id(other), "stays", "true");
        assertThat(ines.page(at)).contains("Ada");
        assertThat(ines.page(other)).contains("Ada", "Dora");
        assertThat(Visitor.text(ines.form(ada + "/move", "target", id(other)))).doesNotContain("Exception");
        assertThat(ines.page(at)).as("she is there already, and stays").contains("Ada");
        ines.form(at + "/students/" + children.get(1) + "/move", "target", id(other));
        assertThat(ines.page(at)).doesNotContain("<b dir=\"auto\">Bo</b>");
        ines.form(ada + "/name", "name", "Ada  Lund");
        assertThat(ines.page(other)).as("called so everywhere").contains("Ada Lund");
        String key = Visitor.key(ines, id(at), children.get(0));
        String next = ines.form(at + "/next-year", "name", "Swifts 2", "year", "2027/28", "student", children.get(0))
                .uri()
                .getPath();
        made.add(next);
        assertThat(ines.page(next)).contains("Swifts 2", "2027/28", "Ada Lund").doesNotContain("Cleo");
        assertThat(Visitor.key(ines, id(next), children.get(0)))
                .as("her key goes on with her")
                .isEqualTo(key);
        ines.form(at + "/students/" + children.get(2) + "/leave");
        assertThat(ines.page(at)).doesNotContain("Cleo");
        ines.form(at + "/remove");
        assertThat(ines.page("/classes")).contains(at + "/put-back").doesNotContain("href=\"" + at + "\"");
        ines.form(at + "/put-back");
        assertThat(ines.page("/classes")).contains("href=\"" + at + "\"");
    }

    @Test
    void teachersAndAidesOfAClassSeeItAndOthersDont() throws Exception {
        String at = classOf("Wrens", "Ada");
        Visitor aide = Visitor.added(ines, base(), "Alma Aide", "AIDE");
        Visitor colleague = Visitor.added(ines, base(), "Cora Colleague", "TEACHER");
        assertThat(aide.get(at).statusCode()).isEqualTo(404);
        for (String name : new String[] {"Alma Aide", "Cora Colleague"}) {
            String who = Visitor.first(ines.page(at + "/settings"), "<option value=\"([^\"]+)\">" + name);
            ines.form(at + "/teachers", "who", who);
        }
        assertThat(aide.page(at)).contains("Ada").doesNotContain("Add children");
        assertThat(aide.form(at + "/students", "names", "Eve").statusCode()).isEqualTo(404);
        assertThat(aide.get(at + "/settings").statusCode()).isEqualTo(404);
        String names = Visitor.first(aide.page(at), "href=\"(/lessons/[^\"/]+)\"");
        assertThat(aide.page(names)).as("she reads the names aloud").contains("Ada");
        assertThat(colleague.page("/")).as("names lie on no desk").doesNotContain("Wrens");
        colleague.form(at + "/students", "names", "Eve");
        assertThat(ines.page(at)).contains("Eve");
        String own = Visitor.first(ines.page(at + "/settings"), "(?s)<b>Ines Faro</b>.*?/teachers/([^/]+)/remove");
        String cora =
                Visitor.first(ines.page(at + "/settings"), "(?s)<b>Cora Colleague</b>.*?/teachers/([^/]+)/remove");
        ines.form(at + "/teachers/" + cora + "/remove");
        assertThat(colleague.get(at).statusCode()).isEqualTo(404);
        assertThat(colleague.get(names).statusCode()).isEqualTo(404);
        ines.form(at + "/teachers/" + own + "/remove");
        assertThat(ines.page(at + "/settings")).as("a class has a teacher").contains("<b>Ines Faro</b>");
    }

    @Test
    void whatAClassWorksOnIsReadAndHeardByAllWhoTeachIt() throws Exception {
        String at = classOf("Curlews");
        Visitor substitute = Visitor.added(ines, base(), "Edda Fall", "TEACHER");
        ines.form(
                at + "/teachers",
                "who",
                Visitor.first(ines.page(at + "/settings"), "<option value=\"([^\"]+)\">Edda Fall"));
        assertThat(substitute.get("/lessons/" + bean).statusCode())
                .as("not given")
                .isEqualTo(404);
        String given = Visitor.first(
                ines.form("/lessons/" + bean + "/give", "to", id(at)).uri().getQuery(), "given=([^&]+)");
        String read = substitute.page("/lessons/" + bean);
        assertThat(read).contains("You teach a class that works on it", "How a bean wakes up");
        assertThat(substitute
                        .get(Visitor.first(read, "data-listen=\"([^\"]+)\""))
                        .statusCode())
                .isEqualTo(200);
        assertThat(substitute
                        .form("/lessons/" + bean + "/title", "title", "Hers")
                        .statusCode())
                .as("it stays another's")
                .isNotEqualTo(200);
        substitute.form("/lessons/" + bean + "/copy");
        assertThat(substitute.page("/"))
                .as("her desk, also after she tried to copy it")
                .doesNotContain("How a bean wakes up");
        ines.form("/assignments/" + given + "/take-back");
        assertThat(substitute.get("/lessons/" + bean).statusCode())
                .as("taken back")
                .isEqualTo(404);
    }

    @Test
    void somethingIsGivenToSomeFromADayUntilAnother() throws Exception {
        String at = classOf("Finches", "Ada", "Bo", "Cleo");
        List<String> children = students(at);
        ines.form(at + "/groups", "name", "Reds", "student", children.get(0));
        String reds = Visitor.first(ines.page(at + "/groups"), at + "/groups/([0-9a-f-]{36})\"");
        Visitor ada = Visitor.child(ines, id(at), children.get(0));
        Visitor bo = Visitor.child(ines, id(at), children.get(1));
        Visitor cleo = Visitor.child(ines, id(at), children.get(2));
        String give = "/lessons/" + bean + "/give";
        ines.form(give, "to", id(at), "group", reds, "student", children.get(1));
        assertThat(List.of(tasks(ada), tasks(bo), tasks(cleo))).containsExactly(1, 1, 0);
        ines.form(at + "/groups/" + reds, "name", "Reds", "student", children.get(2));
        assertThat(List.of(tasks(ada), tasks(bo), tasks(cleo)))
                .as("whoever is in the group now")
                .containsExactly(0, 1, 1);
        LocalDateTime now = LocalDateTime.now();
        ines.form(give, "to", id(at), "starts", now.plusDays(1).withNano(0).toString());
        assertThat(tasks(ada)).as("not yet").isZero();
        ines.form(give, "to", id(at), "ends", now.minusDays(1).withNano(0).toString());
        assertThat(tasks(ada)).as("over").isZero();
        ines.form(at + "/students/" + children.get(0) + "/accommodation", "moreTime", "true");
        assertThat(tasks(ada)).as("a week longer for her").isEqualTo(1);
        assertThat(Visitor.text(ines.form(give, "to", id(at), "pages", "2-9"))).contains("only pages that there are");
        assertThat(Visitor.text(
                        ines.form(give, "to", id(at), "starts", "2027-02-02T10:00", "ends", "2027-02-02T09:00")))
                .contains("It would end before it begins");
        assertThat(ines.form(give, "to", id(at), "starts", "+999999999-01-01T00:00")
                        .statusCode())
                .isNotEqualTo(500);
        assertThat(ines.form(give, "to", "nobody").statusCode()).isEqualTo(404);
        ines.form(at + "/groups/" + reds + "/remove");
        assertThat(ines.page(at + "/groups")).contains("No group yet");
        assertThat(tasks(cleo))
                .as("what was given to the group stays with those who were in it")
                .isEqualTo(1);
        ines.form("/classes/" + id(at) + "/students/" + children.get(1) + "/delete", "sure", "bo");
        assertThat(List.of(tasks(ada), tasks(cleo)))
                .as("it isn't everybody's then")
                .containsExactly(1, 1);
    }

    @Test
    void whatIsPutFirstStandsFirstAndDirectionsAreSaid() throws Exception {
        String at = classOf("Larks", "Ada");
        Visitor ada = Visitor.child(ines, id(at), students(at).get(0));
        String bakery =
                Visitor.first(ines.page("/?all=true"), "href=\"/lessons/([^\"]+)\">\\s*<b>At the bakery counter");
        ines.form("/lessons/" + bean + "/give", "to", id(at), "direction", " Draw  the root. ");
        ines.form("/lessons/" + bakery + "/give", "to", id(at));
        assertThat(ada.page("/my")).containsSubsequence("At the bakery counter", "How a bean wakes up");
        String beans =
                Visitor.first(ines.page(at + "/given"), "(?s)How a bean wakes up</a>.*?/assignments/([^/]+)/first");
        ines.form("/assignments/" + beans + "/first");
        assertThat(ada.page("/my"))
                .containsSubsequence("How a bean wakes up", "Draw the root.", "At the bakery counter");
        String said = Visitor.first(ines.page(at), "href=\"(/lessons/[^\"/]+)\"");
        assertThat(ines.page(said))
                .as("lines to be read aloud")
                .contains("Draw the root.", "How a bean wakes up", "Ada");
        assertThat(ada.get("/my/said/" + beans + "/title.mp3").statusCode())
                .as("silent as yet")
                .isEqualTo(404);
        ines.form("/lessons/" + bean + "/give", "to", id(at));
        assertThat(tasks(ada)).as("given again it is there again").isEqualTo(3);
    }

    @Test
    void tooManyChildrenAreRefusedAndWhatWasTypedStays() throws Exception {
        String at = classOf("Starlings");
        StringBuilder names = new StringBuilder();
        for (int i = 0; i < 201; i++) {
            names.append("Child ").append(i).append('\n');
        }
        String refused = Visitor.text(ines.form(at + "/students", "names", names.toString()));
        assertThat(refused).contains("200 children at most", "Child 200");
        assertThat(ines.page(at)).as("none of them is kept").contains("Nobody is in it yet");
        ines.form(at + "/students", "names", "\u202e\u0000 \n...\nO");
        assertThat(students(at)).as("a name of one letter").hasSize(2);
    }

    @Test
    void aChildChoosesAPictureThatNobodyElseHas() throws Exception {
        String at = classOf("Robins", "Ada", "Bo");
        List<String> children = students(at);
        ines.form(at + "/students/" + children.get(0) + "/animal", "animal", "CAT", "tint", "OCHRE");
        ines.form(at + "/students/" + children.get(1) + "/animal", "animal", "CAT", "tint", "SEA");
        Visitor ada = Visitor.child(ines, id(at), children.get(0));
        String before = ada.page("/my");
        ada.form("/my/animal", "animal", "CAT", "tint", "SEA");
        assertThat(ada.page("/my")).as("Bo has it").isEqualTo(before);
        ada.form("/my/animal", "animal", "CAT", "tint", "MOSS");
        assertThat(ada.page("/my")).contains("tint-moss").isNotEqualTo(before);
        assertThat(ada.form("/my/animal", "animal", "DRAGON", "tint", "MOSS").statusCode())
                .isEqualTo(400);
        assertThat(ada.form("/my/leave").uri().getPath()).startsWith("/door/");
        assertThat(ada.page("/my")).contains("There is no door here");
    }
}
