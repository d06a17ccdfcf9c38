package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.Collections;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** What is placed on a page is kept in versions, and never over what somebody else placed meanwhile. */
class StageTest extends RunningHouse {
    private Visitor ines;
    private String line;
    private String lesson;
    private String stage;

    @BeforeAll
    void enter() throws Exception {
        ines = Visitor.ines(base());
        line = ines.newLine("Look at the sea.");
        lesson = ines.lessonOf(line);
        stage = "/lessons/" + lesson + "/stages/"
                + Visitor.first(ines.page("/lessons/" + lesson + "/pages/1"), "/stages/([^\"]+)\"");
    }

    private HttpResponse<byte[]> save(int version, String things) throws Exception {
        return ines.send("PUT", stage + "?version=" + version, "application/json", placed(things, "{}"));
    }

    private static byte[] placed(String things, String manner) {
        String body = "{'things':" + things + ",'manner':" + manner + "}";
        return body.replace('\'', '"').getBytes(StandardCharsets.UTF_8);
    }

    private String spot(String id, double x) {
        return "{'kind':'SPOT','id':'" + id + "','mark':true,'area':{'x':" + x + ",'y':0.1,'w':0.07,'h':0.1},'lineId':'"
                + line + "'}";
    }

    private int version() throws Exception {
        return Integer.parseInt(Visitor.first(ines.page(stage), "\"version\":(\\d+)"));
    }

    @Test
    void changesAreTakenBackAndMadeAgainAndConflictsKeepWhatIsThere() throws Exception {
        int start = version();
        assertThat(save(start, "[" + spot("a", 0.1) + "]").statusCode()).isEqualTo(200);
        assertThat(save(start + 1, "[" + spot("a", 0.3) + "]").statusCode()).isEqualTo(200);
        HttpResponse<byte[]> late = save(start + 1, "[]");
        assertThat(late.statusCode()).isEqualTo(422);
        assertThat(Visitor.text(late)).contains("changed in another window");
        assertThat(ines.page(stage)).contains("\"x\":0.3");
        assertThat(Visitor.text(ines.form(stage + "/undo"))).contains("\"x\":0.1", "\"canRedo\":true");
        assertThat(Visitor.text(ines.form(stage + "/redo"))).contains("\"x\":0.3", "\"canRedo\":false");
        ines.form(stage + "/undo");
        assertThat(Visitor.text(save(start + 1, "[" + spot("a", 0.5) + "]"))).contains("\"canRedo\":false");
        for (int i = 0; i < 5; i++) {
            ines.form(stage + "/undo");
        }
        assertThat(ines.page(stage)).doesNotContain("\"SPOT\"");
    }

    @Test
    void theScriptAndTheStageHaveOneHistory() throws Exception {
        String first = ines.newLine("One thing.");
        String here = "/lessons/" + ines.lessonOf(first);
        String own = here + "/stages/" + Visitor.first(ines.page(here + "/pages/1"), "/stages/([^\"]+)\"");
        String spot = "{'kind':'SPOT','id':'a','mark':true,'area':{'x':0.1,'y':0.1,'w':0.07,'h':0.1},'lineId':'" + first
                + "'}";
        ines.send("PUT", own + "?version=0", "application/json", placed("[" + spot + "]", "{}"));
        ines.putForm("/lines/" + first + "/words", "revision", "2", "words", "Another thing.");
        assertThat(Visitor.text(ines.form(own + "/undo"))).contains("Words changed", "\"elsewhere\":true");
        assertThat(ines.page(here)).contains("One thing.");
        assertThat(Visitor.text(ines.form(here + "/undo"))).contains("placed or changed on a page");
        assertThat(ines.page(own)).doesNotContain("\"SPOT\"");
        ines.form(here + "/redo");
        assertThat(ines.page(own)).contains("\"SPOT\"");
        ines.form(own + "/redo");
        assertThat(ines.page(here)).contains("Another thing.");
    }

    @Test
    void aWayStandsAroundItsChoiceAndOfNoChoiceItIsAWayLikeAnother() throws Exception {
        String choice = ines.newLine("a rope");
        ines.putForm("/lines/" + choice + "/kind", "kind", "CHOICE");
        String here = "/lessons/" + ines.lessonOf(choice);
        String own = here + "/stages/" + Visitor.first(ines.page(here + "/pages/1"), "/stages/([^\"]+)\"");
        String spot = "{'kind':'SPOT','id':'a','mark':true,'area':{'x':0.25,'y':0.5,'w':0.07,'h':0.1},'lineId':'"
                + choice + "'}";
        String way = ",'area':{'x':0.8,'y':0.8,'w':0.1,'h':0.1},'pageId':'back'}";
        ines.send(
                "PUT",
                own + "?version=0",
                "application/json",
                placed(
                        "[" + spot + ",{'kind':'JUMP','id':'j','choiceId':'" + choice + "'" + way
                                + ",{'kind':'JUMP','id':'k','choiceId':'x\\\"]'" + way + "]",
                        "{}"));
        assertThat(ines.page(own))
                .containsPattern("\"id\":\"j\",\"area\":\\{\"x\":0.25,\"y\":0.5")
                .containsPattern("\"id\":\"k\",\"area\":\\{\"x\":0.8[^{}]*\\}[^{}]*\"choiceId\":null");
    }

    @Test
    void whatCanNotStandThereIsRefusedAndChangesNothing() throws Exception {
        String area = "'area':{'x':0.1,'y':0.1,'w':0.2,'h':0.1}";
        for (String thing : new String[] {
            "{'kind':'LINK','id':'l'," + area + ",'words':'x','address':'javascript:alert(1)'}",
            "{'kind':'LINK','id':'l'," + area + ",'words':'x','address':'https://a b'}",
            "{'kind':'JUMP','id':'j'," + area + ",'pageId':'elsewhere'}",
            "{'kind':'SPOT','id':'s','mark':true," + area + ",'lineId':'of another'}",
            "{'kind':'SPOT','id':'s','mark':true," + area + "}",
            "{'kind':'EVERY_SPOT','id':'s','mark':true,'lines':'QUESTION'," + area + "}",
            "{'kind':'PICTURE','id':'p'," + area + ",'hash':'of another'}",
            "{'kind':'TEXT','id':'t'," + area + ",'words':'" + "x".repeat(3_000) + "','size':'SMALL'}",
            spot("twice", 0.1) + "," + spot("twice", 0.2)
        }) {
            assertThat(save(version(), "[" + thing + "]").statusCode())
                    .as(thing)
                    .isEqualTo(422);
        }
        for (String broken : new String[] {
            "{'kind':'SPOT','id':'s','mark':true,'area':{'x':0,'y':0,'w':-1,'h':0},'lineId':'x'}",
            "{'kind':'BUTTON','id':'s'," + area + "}",
            "{'kind':'SPOT','id':'s','mark':true," + area + ",'lineId':'" + line + "','rule':{'volumePercent':200}}"
        }) {
            assertThat(save(version(), "[" + broken + "]").statusCode())
                    .as(broken)
                    .isEqualTo(400);
        }
        assertThat(Visitor.text(save(version(), "[" + spot("far", 7) + "]"))).contains("\"x\":0.9");
        Visitor stranger = new Visitor(base());
        stranger.get("/sign-in");
        assertThat(stranger.page(stage)).doesNotContain("\"things\"");
    }

    @Test
    void spotsArePlacedForLinesWithoutOneAndGoWithTheirLine() throws Exception {
        String own = ines.newLine("Count the boats.");
        String lesson = ines.lessonOf(own);
        String stage = "/lessons/" + lesson + "/stages/"
                + Visitor.first(ines.page("/lessons/" + lesson + "/pages/1"), "/stages/([^\"]+)\"");
        assertThat(Visitor.text(ines.form(stage + "/place", "line", own))).contains("\"lineId\":\"" + own + "\"");
        assertThat(Visitor.text(ines.form(stage + "/place", "line", own))).contains("\"version\":1");
        ines.send("DELETE", "/lines/" + own, "application/x-www-form-urlencoded", new byte[0]);
        assertThat(ines.page(stage)).doesNotContain("SPOT");
    }

    @Test
    void wordsAreMovedAndFoundAnewInTheInkAndTakenBack() throws Exception {
        String bean = Visitor.first(ines.page("/?all=true"), "href=\"/lessons/([^\"]+)\">\\s*<b>How a bean wakes up");
        String shown = ines.page("/lessons/" + bean + "/pages/1");
        String stage = Visitor.first(shown, "(/lessons/[^/]+/stages/[^\"]+)\"");
        String words = stage + "/words/" + Visitor.first(shown, "data-line=\"([^\"]+)\"[^>]*data-found=\"true\"");
        String before = ines.page(words);
        int count = before.split("\"text\"").length - 1;
        String there = "{'x':0.5,'y':0.6,'w':0.1,'h':0.05}";
        String all = String.join(",", Collections.nCopies(count, there));
        assertThat(moved(words, before, all)).contains("\"x\":0.5,\"y\":0.6");
        assertThat(ines.page(words)).contains("\"x\":0.5,\"y\":0.6");
        assertThat(moved(words, before, all.replace("0.5", "0.7")))
                .as("they stood elsewhere for the other window")
                .contains("changed in another window");
        String moved = ines.page(words);
        assertThat(moved).contains("\"x\":0.5,\"y\":0.6");
        assertThat(moved(words, moved, there)).as("there are more of them").contains("changed in another window");
        String nowhere = "{'x':0.99,'y':0.99,'w':0.01,'h':0.01}";
        assertThat(sought(words, moved, nowhere)).contains("could not be told apart");
        String around = around(before);
        assertThat(sought(words, before, around)).contains("changed in another window");
        assertThat(sought(words, moved, around))
                .as("they are found where they were")
                .doesNotContain("\"x\":0.5,\"y\":0.6")
                .hasSameSizeAs(ines.page(words));
        assertThat(Visitor.text(ines.form(stage + "/undo"))).contains("Words moved on the page");
        ines.form(stage + "/undo");
        assertThat(ines.page(words)).isEqualTo(before);
    }

    private String moved(String words, String seen, String areas) throws Exception {
        String all = "{\"seen\":" + seen + ",\"areas\":[" + areas + "]}";
        return Visitor.text(ines.send("PUT", words, "application/json", json(all)));
    }

    private String sought(String words, String seen, String part) throws Exception {
        String all = "{\"seen\":" + seen + ",\"part\":" + part + "}";
        return Visitor.text(ines.send("POST", words, "application/json", json(all)));
    }

    private static byte[] json(String text) {
        return text.replace('\'', '"').getBytes(StandardCharsets.UTF_8);
    }

    /** A box a little larger than all words of a list. */
    private static String around(String words) {
        double[] box = {1, 1, 0, 0};
        Matcher word = Pattern.compile("\"x\":([\\d.]+),\"y\":([\\d.]+),\"w\":([\\d.]+),\"h\":([\\d.]+)")
                .matcher(words);
        while (word.find()) {
            double x = Double.parseDouble(word.group(1));
            double y = Double.parseDouble(word.group(2));
            box[0] = Math.min(box[0], x);
            box[1] = Math.min(box[1], y);
            box[2] = Math.max(box[2], x + Double.parseDouble(word.group(3)));
            box[3] = Math.max(box[3], y + Double.parseDouble(word.group(4)));
        }
        return "{'x':%s,'y':%s,'w':%s,'h':%s}"
                .formatted(box[0] - 0.004, box[1] - 0.004, box[2] - box[0] + 0.008, box[3] - box[1] + 0.008);
    }

    @Test
    void aChildIsNeverLeftOnAPageWithoutAWayOn() throws Exception {
        String first = ines.newLine("Listen.");
        String lesson = ines.lessonOf(first);
        ines.form("/lessons/" + lesson + "/pages");
        String second = Visitor.first(ines.page("/lessons/" + lesson), "data-line=\"(?!" + first + ")([^\"]+)\"");
        ines.putForm("/lines/" + second + "/words", "revision", "1", "words", "Draw.");
        String stage = Visitor.first(ines.page("/lessons/" + lesson + "/pages/1"), "(/lessons/[^/]+/stages/[^\"]+)\"");
        String next = Visitor.first(ines.page("/lessons/" + lesson + "/pages/2"), "/stages/([^\"]+)\"");
        HttpResponse<byte[]> wrong = ines.send(
                "PUT",
                stage + "?version=0",
                "application/json",
                placed(
                        "[{'kind':'JUMP','id':'j','area':{'x':0,'y':0,'w':1,'h':1},'pageId':'" + next
                                + "','way':'WRONG'}]",
                        "{}"));
        assertThat(wrong.statusCode()).isEqualTo(200);
        // The page has no picture: the jump stands on an empty one.
        String link = ines.linkTo(lesson);
        assertThat(ines.page(link)).contains("Go to page 2").doesNotContain("Next page");
    }

    @Test
    void aPictureComesInIsPlacedCopiedAndSeenByThisLessonsStudentsOnly() throws Exception {
        String first = ines.newLine("Look.");
        String lesson = ines.lessonOf(first);
        ines.form("/lessons/" + lesson + "/pages");
        String at = Visitor.first(ines.page("/lessons/" + lesson + "/pages/1"), "(/lessons/[^/]+/stages/[^\"]+)\"");
        byte[] svg =
                "<svg xmlns='http://www.w3.org/2000/svg' width='80' height='40'><circle cx='20' cy='20' r='9'/></svg>"
                        .getBytes(StandardCharsets.UTF_8);
        HttpResponse<byte[]> placed = ines.send("POST", at + "/picture", "application/octet-stream", svg);
        assertThat(Visitor.text(placed)).contains("\"PICTURE\"");
        String hash = Visitor.first(Visitor.text(placed), "\"hash\":\"([^\"]+)\"");
        String id = Visitor.first(Visitor.text(placed), "\"id\":\"([^\"]+)\"");
        assertThat(Visitor.text(ines.form(at + "/copy", "thing", id, "pages", "2")))
                .contains("Copied one thing");
        assertThat(Visitor.text(ines.form(at + "/copy", "thing", id, "pages", "2-9")))
                .contains("This lesson has 2 pages");
        String link = ines.linkTo(lesson);
        assertThat(ines.page(link)).contains("/thing/" + hash);
        assertThat(new Visitor(base()).get(link + "/thing/" + hash).statusCode())
                .isEqualTo(200);
        assertThat(ines.get("/lessons/" + this.lesson + "/things/" + hash).statusCode())
                .as("another lesson")
                .isEqualTo(404);
        HttpResponse<byte[]> text = ines.send("POST", at + "/picture", "application/octet-stream", new byte[400]);
        assertThat(Visitor.text(text)).contains("could not be read");
        assertThat(ines.page(at)).contains("\"version\":1");
    }
}
