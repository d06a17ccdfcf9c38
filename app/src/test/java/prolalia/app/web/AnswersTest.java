package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.jooq.DSLContext;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.transaction.support.TransactionTemplate;

/** Children answer, and their teacher sees it. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class AnswersTest extends RunningHouse {
    private static final String JSON = "application/json";

    @Autowired
    private TransactionTemplate transaction;

    @Autowired
    private DSLContext writing;

    private Visitor ines;
    private String classId;
    private List<String> children;
    private String lesson;
    private String question;
    private String right;
    private String wrong;
    private String typed;

    @BeforeAll
    void give() throws Exception {
        ines = Visitor.ines(base());
        classId = Visitor.newClass(ines, "Answerers");
        ines.form("/classes/" + classId + "/students", "names", "Ada\nBo\nCem");
        children = Visitor.all(ines.page("/classes/" + classId), "/students/([^\"/]+)\"");
        question = ines.newLine("Which one swims?");
        lesson = ines.lessonOf(question);
        ines.form(
                "/lines/" + question + "/paste",
                "text",
                "1. Which one swims?\na) the cat\nb) the cod\n2. What is it?",
                "wrapped",
                "true");
        List<String> lines = Visitor.all(ines.page("/lessons/" + lesson), "data-line=\"([^\"]+)\"");
        question = lines.get(lines.size() - 4);
        wrong = lines.get(lines.size() - 3);
        right = lines.get(lines.size() - 2);
        typed = lines.get(lines.size() - 1);
        ines.putForm("/lines/" + right + "/right");
        ines.putForm("/lines/" + typed + "/question/kind", "by", "SHORT_WORDS");
        ines.putForm("/lines/" + typed + "/question/key", "key", "a fish / cod");
    }

    @AfterAll
    void remove() throws Exception {
        ines.form("/lessons/" + lesson + "/remove");
        ines.form("/classes/" + classId + "/remove");
    }

    private String given() throws Exception {
        String made =
                ines.form("/lessons/" + lesson + "/give", "to", classId).uri().getQuery();
        return Visitor.first(made, "given=([^&]+)");
    }

    private static String answer(Visitor child, String assignment, String of, String id, String given)
            throws Exception {
        HttpResponse<byte[]> response = child.send(
                "PUT",
                "/my/" + assignment + "/answers/" + of + "/" + id,
                JSON,
                given.replace('\'', '"').getBytes(StandardCharsets.UTF_8));
        return response.statusCode() + " " + Visitor.text(response);
    }

    private static String answer(Visitor child, String assignment, String of, String given) throws Exception {
        return answer(child, assignment, of, UUID.randomUUID().toString(), given);
    }

    @Test
    void whatIsAnsweredIsFoundAgainHandedInAndSeenByTheTeacherAlone() throws Exception {
        String assignment = given();
        Visitor ada = Visitor.child(ines, classId, children.get(0));
        assertThat(ada.page("/my/" + assignment))
                .contains("Which one swims?", "data-choice=\"" + right + "\"")
                .as("nothing tells which one is right")
                .doesNotContain("a fish", "data-right");
        assertThat(Visitor.text(ada.form("/my/" + assignment + "/hand-in")))
                .contains("\"done\":false", question, typed);
        String id = UUID.randomUUID().toString();
        assertThat(answer(ada, assignment, question, id, "{'chosen':['" + wrong + "']}"))
                .contains("SAVED");
        assertThat(answer(ada, assignment, question, id, "{'chosen':['" + right + "']}"))
                .contains("SAVED");
        assertThat(ada.page("/my/" + assignment + "/answers"))
                .as("sent twice, it is one")
                .contains(wrong)
                .doesNotContain(right);
        answer(ada, assignment, question, "{'chosen':['" + right + "']}");
        answer(ada, assignment, typed, "{'typed':'-A FISH!'}");
        assertThat(ada.page("/my/" + assignment + "/answers")).contains(right).doesNotContain("RIGHT");
        Visitor elsewhere = Visitor.child(ines, classId, children.get(0));
        assertThat(elsewhere.page("/my/" + assignment + "/answers"))
                .as("another tablet")
                .contains("-A FISH!");
        assertThat(Visitor.text(ada.form("/my/" + assignment + "/hand-in")))
                .contains("\"done\":true", "\"points\":2.0", "\"outcome\":\"RIGHT\"");
        String told = "/assignments/" + assignment + "/answers/" + children.get(0) + "/" + typed;
        assertThat(ines.page(told)).doesNotContain("came after");
        answer(elsewhere, assignment, typed, "{'typed':'-A FISH!'}");
        assertThat(ines.page(told)).contains("This came after it was told what is right");
        String answers = "/assignments/" + assignment + "/answers";
        String adasRow = Visitor.first(ines.page(answers), "(?s)<tr[^>]*>((?:(?!</tr>).)*Ada.*?)</tr>");
        assertThat(adasRow).contains("handed in", "question 1: right", "question 2: right", "<b>2</b>");
        assertThat(ines.page(answers)).contains("question 1: not yet");
        Visitor bo = Visitor.child(ines, classId, children.get(1));
        assertThat(bo.page("/my/" + assignment + "/answers")).doesNotContain("FISH");
        assertThat(bo.get(answers).statusCode()).isIn(302, 401, 403, 200).isNotEqualTo(500);
        assertThat(Visitor.added(ines, base(), "Olga Other", "TEACHER")
                        .get(answers)
                        .statusCode())
                .isEqualTo(404);
        String csv = Visitor.text(ines.get(answers + ".csv"));
        assertThat(csv).contains("Ada,2,the cod,'-A FISH!");
        try (XSSFWorkbook book = new XSSFWorkbook(
                new java.io.ByteArrayInputStream(ines.get(answers + ".xlsx").body()))) {
            assertThat(book.getSheetAt(0).getRow(1).getCell(3).getStringCellValue())
                    .isEqualTo("-A FISH!");
            assertThat(book.getSheetAt(0).getLastRowNum()).isEqualTo(3);
        }
    }

    @Test
    void whatIsTypedOrDrawnOnIsOneAnswerUntilSomethingIsSaidOfIt() throws Exception {
        String assignment = given();
        String told = "/assignments/" + assignment + "/answers/" + children.get(0) + "/" + typed;
        Visitor ada = Visitor.child(ines, classId, children.get(0));
        String first = UUID.randomUUID().toString();
        answer(ada, assignment, typed, first, "{'typed':'a wh'}");
        answer(ada, assignment, typed, "{'typed':'a wha','drawn':[{'width':6,'points':[1,2,3,4]}]}");
        answer(ada, assignment, typed, "{'typed':'a whal','drawn':[{'width':6,'points':[1,2,3,4,5,6]}]}");
        answer(ada, assignment, typed, first, "{'typed':'a wh'}");
        assertThat(ines.page(told))
                .as("what is sent twice isn't newer")
                .contains("a whal")
                .doesNotContain("a wh<", "a wha<");
        ines.form(told + "/points", "points", "1");
        answer(ada, assignment, typed, "{'typed':'a whale','drawn':[{'width':6,'points':[1,2,3,4,5,6]}]}");
        answer(ada, assignment, typed, "{}");
        answer(ada, assignment, typed, "{'typed':'a seal'}");
        assertThat(ines.page(told))
                .as("what was marked stays, and what was taken away")
                .contains("a seal", "a whale", "a whal<");
    }

    @Test
    void handedInClosesWhereTheTeacherSaysSoUntilSheOpensItAgain() throws Exception {
        String manner = "/lessons/" + lesson + "/answering";
        ines.putForm(manner, "layout", "ONE", "feedback", "NONE", "reward", "STARS", "closes", "true");
        String assignment = given();
        String answers = "/assignments/" + assignment + "/answers";
        Visitor ada = Visitor.child(ines, classId, children.get(0));
        answer(ada, assignment, question, "{'chosen':['" + wrong + "']}");
        answer(ada, assignment, typed, "{'typed':'cod'}");
        assertThat(Visitor.text(ada.form("/my/" + assignment + "/hand-in"))).contains("\"closed\":true");
        assertThat(answer(ada, assignment, question, "{'chosen':['" + right + "']}"))
                .contains("HANDED_IN");
        assertThat(ada.page("/my/" + assignment + "/answers")).contains("\"closed\":true", wrong);
        // What another tablet still had is kept for the teacher to see, and doesn't count.
        assertThat(answer(ada, assignment, typed, "{'typed':'a whale'}")).contains("HANDED_IN");
        assertThat(ines.page(answers + "/" + children.get(0) + "/" + typed))
                .contains("<li dir=\"auto\">cod</li>", "a whale", "It does not count");
        assertThat(ines.page(answers + ".csv")).contains("cod").doesNotContain("whale");
        assertThat(ines.page(answers)).contains("Open again for Ada").doesNotContain("changed afterwards");
        ines.form(answers + "/" + children.get(0) + "/reopen");
        assertThat(answer(ada, assignment, question, "{'chosen':['" + right + "']}"))
                .contains("SAVED");
        ada.form("/my/" + assignment + "/hand-in");
        ines.putForm(manner, "layout", "ONE", "feedback", "NONE", "reward", "STARS");
        assertThat(answer(ada, assignment, question, "{'chosen':['" + wrong + "']}"))
                .contains("SAVED");
        assertThat(ines.page(answers)).contains("changed afterwards");
        ines.putForm(manner, "layout", "ONE", "feedback", "AT_END", "reward", "STARS");
    }

    @Test
    void anotherKeyMarksAgainAndSaysSoAndATeacherOverrules() throws Exception {
        String assignment = given();
        Visitor ada = Visitor.child(ines, classId, children.get(0));
        answer(ada, assignment, typed, "{'typed':'a codfish'}");
        String answers = "/assignments/" + assignment + "/answers";
        assertThat(ines.page(answers)).contains("question 2: wrong").doesNotContain("marked again");
        ines.putForm("/lines/" + typed + "/question/key", "key", "a fish / cod / a codfish");
        await().until(() -> ines.page(answers).contains("question 2: right"));
        assertThat(ines.page(answers)).contains("One answer was marked again");
        ines.form("/lessons/" + lesson + "/undo");
        await().until(() -> ines.page(answers).contains("question 2: wrong"));
        ines.form("/lessons/" + lesson + "/redo");
        await().until(() -> ines.page(answers).contains("question 2: right"));
        String cell = answers + "/" + children.get(0) + "/" + typed;
        assertThat(ines.page(cell)).contains("a codfish", "Right:");
        assertThat(Visitor.text(ines.form(cell + "/points", "points", "0.5", "reason", "not the word")))
                .contains("0.5", "said by Ines Faro", "not the word");
        assertThat(ines.page(answers)).contains("question 2: part of it");
        for (String senseless : List.of("NaN", "1e308", "-1", "2", "Infinity", "many")) {
            assertThat(Visitor.text(ines.form(cell + "/points", "points", senseless)))
                    .as(senseless)
                    .contains("Points are a number from 0 to 1", "0.5");
        }
        ines.putForm("/lines/" + typed + "/words", "revision", "1", "words", "What swims there?");
        ines.putForm("/lines/" + typed + "/words", "revision", "2", "words", "What swims there?");
        assertThat(ines.page(cell)).as("what was asked stays known").contains("It was asked then", "What is it?");
        ines.form("/lessons/" + lesson + "/undo");
        ines.putForm("/lines/" + typed + "/question/key", "key", "a fish / cod");
    }

    @Test
    void aPageOfAnotherChildAnswersNothingAndTriesAreCounted() throws Exception {
        String assignment = given();
        Visitor ada = Visitor.child(ines, classId, children.get(0));
        String at = "/my/" + assignment + "/answers/" + typed;
        assertThat(ada.send(
                                "PUT",
                                at + "/" + UUID.randomUUID(),
                                JSON,
                                "{\"typed\":\"of another tab\"}".getBytes(StandardCharsets.UTF_8),
                                "X-Owner",
                                children.get(1))
                        .statusCode())
                .isEqualTo(401);
        ines.putForm(
                "/lessons/" + lesson + "/answering",
                "layout",
                "SHEET",
                "feedback",
                "EACH",
                "reward",
                "WORDS",
                "tries",
                "2");
        answer(ada, assignment, typed, "{'typed':'a cow'}");
        assertThat(Visitor.text(ada.form(at + "/check"))).contains("\"outcome\":\"WRONG\"", "\"triesLeft\":1");
        assertThat(Visitor.text(ada.form(at + "/check")))
                .as("asked twice, it is one try")
                .contains("\"triesLeft\":1");
        answer(ada, assignment, typed, "{'typed':'a pig'}");
        assertThat(Visitor.text(ada.form(at + "/check"))).contains("\"triesLeft\":0");
        assertThat(answer(ada, assignment, typed, "{'typed':'a fish'}")).contains("NO_MORE");
        assertThat(ada.page("/my/" + assignment + "/answers")).contains("a pig").doesNotContain("a fish", "of another");
        ines.form("/assignments/" + assignment + "/different/" + children.get(0), "of", "GIVING", "tries", "3");
        assertThat(answer(ada, assignment, typed, "{'typed':'a fish'}"))
                .as("one more for her")
                .doesNotContain("NO_MORE");
        ines.form("/assignments/" + assignment + "/different/" + children.get(0));
        ines.putForm("/lessons/" + lesson + "/answering", "layout", "ONE", "feedback", "AT_END", "reward", "STARS");
    }

    @Test
    void aChoiceHasAPictureThatIsUndoneAndNothingElseIsTakenForOne() throws Exception {
        String assignment = given();
        byte[] png = java.nio.file.Files.readAllBytes(java.nio.file.Path.of("src/main/resources/demo/weather/sky.png"));
        assertThat(Visitor.text(ines.send("PUT", "/lines/" + right + "/picture", "application/octet-stream", png)))
                .contains("/things/");
        Visitor ada = Visitor.child(ines, classId, children.get(0));
        String shown = ada.page("/my/" + assignment + "/1");
        String picture = Visitor.first(shown, "class=\"of-line\"[^>]*src=\"([^\"]+)\"");
        assertThat(ada.get(picture).body()).isNotEmpty();
        String copy = ines.form("/lessons/" + lesson + "/copy").uri().getPath();
        assertThat(ines.page(copy)).as("a copy has it too").contains("/things/");
        ines.form(copy + "/remove");
        for (byte[] none : new byte[][] {{1, 2, 3}, {}, "<svg".getBytes(StandardCharsets.UTF_8)}) {
            assertThat(ines.send("PUT", "/lines/" + wrong + "/picture", "application/octet-stream", none)
                            .statusCode())
                    .isEqualTo(422);
        }
        ines.form("/lessons/" + lesson + "/undo");
        assertThat(ada.page("/my/" + assignment + "/1")).doesNotContain("of-line");
    }

    @Test
    void aNewTakeOfALessonThatIsAnsweredKeepsNobodyWaiting() throws Exception {
        String assignment = given();
        Visitor ada = Visitor.child(ines, classId, children.get(0));
        String heard = ines.record(question, "swims.wav", Files.readAllBytes(voice("bean-1a")));
        ines.form("/takes/" + Visitor.first(heard, "data-take=\"([^\"]+)\"") + "/keep");
        assertThat(answer(ada, assignment, question, "{'chosen':['" + right + "']}"))
                .contains("SAVED");
        // While somebody writes, those who only look on go on; before, each waited for half a minute.
        transaction.executeWithoutResult(status -> {
            try {
                writing.execute("UPDATE school SET name = name");
                for (String looked : List.of("/answers", "/answers/now")) {
                    assertThat(ines.get("/assignments/" + assignment + looked).statusCode())
                            .isEqualTo(200);
                }
                assertThat(ada.get("/my/" + assignment + "/answers").statusCode())
                        .isEqualTo(200);
            } catch (Exception failure) {
                throw new IllegalStateException(failure);
            }
        });
    }

    @Test
    void whatArrivesAfterTheEndOfASpokenAnswerIsInItAndEmptyPiecesAreRefused() throws Exception {
        String assignment = given();
        Visitor ada = Visitor.child(ines, classId, children.get(0));
        byte[] whole = Files.readAllBytes(voice("bean-2b"));
        int third = whole.length / 3;
        String id = UUID.randomUUID().toString();
        String recording = "/my/" + assignment + "/recordings/" + id;
        assertThat(piece(ada, recording, 0, new byte[0])).isEqualTo(400);
        piece(ada, recording, 0, Arrays.copyOf(whole, third));
        long first = said(ada, recording, "1");
        assertThat(piece(ada, recording, 1, Arrays.copyOfRange(whole, third, 2 * third)))
                .isEqualTo(200);
        long second = said(ada, recording, "2");
        assertThat(second).isGreaterThan(first + 300);
        // The last one is brought by a tablet that ends nothing: it joins by itself.
        answer(ada, assignment, typed, "{'spoken':['" + id + "']}");
        assertThat(piece(ada, recording, 2, Arrays.copyOfRange(whole, 2 * third, whole.length)))
                .isEqualTo(200);
        await().atMost(Duration.ofSeconds(20))
                .until(() -> Long.parseLong(
                                Visitor.first(ada.page("/my/" + assignment + "/answers"), "\"durationMs\":(\\d+)"))
                        > second + 300);
    }

    private int piece(Visitor child, String recording, int number, byte[] content) throws Exception {
        return child.send("PUT", recording + "/chunks/" + number + "?line=" + typed, "audio/wav", content)
                .statusCode();
    }

    /** How long it is after its end, in ms. */
    private long said(Visitor child, String recording, String chunks) throws Exception {
        String ended = Visitor.text(child.form(recording + "/end", "line", typed, "chunks", chunks));
        return Long.parseLong(Visitor.first(ended, "\"durationMs\":(\\d+)"));
    }

    @Test
    void nothingIsLostOfWhatComesLateOrIsSenseless() throws Exception {
        String assignment = given();
        Visitor cem = Visitor.child(ines, classId, children.get(2));
        ines.form("/assignments/" + assignment + "/take-back");
        assertThat(answer(cem, assignment, typed, "{'typed':'late'}")).contains("CLOSED");
        assertThat(cem.form("/my/" + assignment + "/hand-in").statusCode()).isEqualTo(404);
        String late = "/assignments/" + assignment + "/answers/" + children.get(2) + "/" + typed;
        assertThat(ines.page(late)).contains("This came after the lesson was over");
        ines.form("/assignments/" + assignment + "/give-again");
        for (int i = 0; i < 120; i++) {
            answer(cem, assignment, UUID.randomUUID().toString(), "{'typed':'to no question'}");
        }
        assertThat(Visitor.all(cem.page("/my/" + assignment + "/answers"), "(\"[0-9a-f-]{36}\":\\{\"given)"))
                .as("answers to what is no question are not kept without end")
                .hasSizeLessThan(110);
        assertThat(cem.page("/my/" + assignment + "/answers")).contains("late");
        assertThat(answer(cem, assignment, UUID.randomUUID().toString(), "{'typed':'taken out'}"))
                .contains("GONE");
        for (String senseless :
                List.of("", "[]", "null", "{'chosen':[null]}", "{'drawn':[{'width':3,'points':[1]}]}", "{")) {
            assertThat(answer(cem, assignment, typed, senseless)).as(senseless).startsWith("400");
        }
        assertThat(answer(cem, assignment, typed, "{'typed':'" + "x".repeat(20_000) + "'}"))
                .startsWith("400");
        assertThat(answer(cem, assignment, typed, "{'typed':'" + "x".repeat(3 << 20) + "'}"))
                .startsWith("4");
        assertThat(answer(
                        cem,
                        assignment,
                        typed,
                        "{'spoken':['" + UUID.randomUUID() + "'],'typed':'\u202eabc <b>\ud83d\ude00'}"))
                .contains("SAVED");
        assertThat(cem.page("/my/" + assignment + "/answers"))
                .as("what somebody else said is no answer of hers")
                .contains("\"spoken\":[]");
        String cell = "/assignments/" + assignment + "/answers/" + children.get(2) + "/" + typed;
        assertThat(ines.page(cell)).contains("&lt;b&gt;").doesNotContain("<b>\ud83d");
        Visitor nobody = new Visitor(base());
        assertThat(answer(nobody, assignment, typed, "{'typed':'x'}")).startsWith("401");
        Visitor other = Visitor.child(ines, classId, children.get(0));
        assertThat(answer(other, UUID.randomUUID().toString(), typed, "{'typed':'x'}"))
                .startsWith("404");
    }
}
