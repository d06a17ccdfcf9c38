package prolalia.formats.qti;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import prolalia.core.answer.AnswerKind;
import prolalia.core.answer.ChoiceMark;
import prolalia.core.answer.NumberKey;
import prolalia.core.answer.NumberKey.DecimalSign;
import prolalia.core.answer.Question;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineTraits;
import prolalia.core.marking.QuestionKind;
import prolalia.core.marking.QuestionWithLines;
import prolalia.core.script.PastedScript.ReadLine;
import prolalia.core.script.ReadForm;
import prolalia.core.script.ReadForm.Kind;
import prolalia.formats.qti.QtiFile.Marked;
import prolalia.formats.qti.QtiRefusedException.Reason;

/** Items of QTI 3: their own rules followed, what isn't known said, what is written read again. */
class QtiTest {
    private static final String MATCH_CORRECT =
            "<qti-response-processing template='https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/match_correct'/>";
    private static final String MAP_RESPONSE =
            "<qti-response-processing template='https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/map_response.xml'/>";

    private static QtiFile item(String declaration, String body, String processing) throws QtiRefusedException {
        return QtiFile.read(("<?xml version='1.0'?><qti-assessment-item identifier='i' title='T'>" + declaration
                        + "<qti-outcome-declaration identifier='SCORE' cardinality='single' base-type='float'/>"
                        + "<qti-item-body>" + body + "</qti-item-body>" + processing + "</qti-assessment-item>")
                .getBytes(StandardCharsets.UTF_8));
    }

    private static String response(String cardinality, String type, String inside) {
        return "<qti-response-declaration identifier='RESPONSE' cardinality='" + cardinality + "' base-type='" + type
                + "'>" + inside + "</qti-response-declaration>";
    }

    private static String correct(String... values) {
        return "<qti-correct-response><qti-value>" + String.join("</qti-value><qti-value>", values)
                + "</qti-value></qti-correct-response>";
    }

    private static Marked mark(QtiFile file, String cell) {
        return file.mark("i", Map.of("RESPONSE", file.values("i", "RESPONSE", cell)))
                .orElseThrow();
    }

    @Test
    void matchCorrectComparesAsTheResponseIsDeclared() throws Exception {
        QtiFile several = item(response("multiple", "identifier", correct("A", "C")), "", MATCH_CORRECT);
        assertThat(mark(several, "C | A")).isEqualTo(new Marked(1, 1, "match_correct"));
        assertThat(mark(several, "A").points()).isZero();
        assertThat(mark(several, "A;B;C").points()).isZero();
        assertThat(mark(several, "").points()).isZero();
        QtiFile ordered = item(response("ordered", "identifier", correct("A", "B", "C")), "", MATCH_CORRECT);
        assertThat(mark(ordered, "A B C").points()).isEqualTo(1);
        assertThat(mark(ordered, "A C B").points()).isZero();
        QtiFile number = item(response("single", "float", correct("2.5")), "", MATCH_CORRECT);
        assertThat(mark(number, "2.50").points()).isEqualTo(1);
        QtiFile pair = item(response("multiple", "pair", correct("A B", "C D")), "", MATCH_CORRECT);
        assertThat(mark(pair, "B A | C D").points()).isEqualTo(1);
        QtiFile directed = item(response("multiple", "directedPair", correct("A B", "C D")), "", MATCH_CORRECT);
        assertThat(mark(directed, "B A | C D").points()).isZero();
    }

    @Test
    void mappingsAddUpWithinTheirBounds() throws Exception {
        String mapping = "<qti-mapping default-value='-1' lower-bound='0' upper-bound='3'>"
                + "<qti-map-entry map-key='A' mapped-value='2'/><qti-map-entry map-key='B' mapped-value='2'/></qti-mapping>";
        QtiFile several = item(response("multiple", "identifier", mapping), "", MAP_RESPONSE);
        assertThat(mark(several, "A")).isEqualTo(new Marked(2, 3, "map_response"));
        assertThat(mark(several, "A B").points()).isEqualTo(3);
        assertThat(mark(several, "A A").points()).as("once").isEqualTo(2);
        assertThat(mark(several, "A X").points()).isEqualTo(1);
        assertThat(mark(several, "X Y").points()).isZero();
        QtiFile words = item(
                response(
                        "single",
                        "string",
                        "<qti-mapping default-value='0'><qti-map-entry map-key='York' mapped-value='1'/>"
                                + "<qti-map-entry map-key='york' mapped-value='0.5' case-sensitive='false'/></qti-mapping>"),
                "",
                MAP_RESPONSE);
        assertThat(mark(words, "York").points()).isEqualTo(1);
        assertThat(mark(words, "YORK").points()).isEqualTo(0.5);
    }

    @Test
    void rulesOfItsOwnAreFollowedOrSaidNotToBe() throws Exception {
        String own = "<qti-response-processing><qti-response-condition><qti-response-if><qti-match>"
                + "<qti-variable identifier='RESPONSE'/><qti-correct identifier='RESPONSE'/></qti-match>"
                + "<qti-set-outcome-value identifier='SCORE'><qti-base-value base-type='float'>2</qti-base-value>"
                + "</qti-set-outcome-value></qti-response-if><qti-response-else><qti-set-outcome-value identifier='SCORE'>"
                + "<qti-base-value base-type='float'>0.5</qti-base-value></qti-set-outcome-value></qti-response-else>"
                + "</qti-response-condition></qti-response-processing>";
        QtiFile file = item(response("single", "identifier", correct("B")), "", own);
        assertThat(mark(file, "B")).isEqualTo(new Marked(2, 2, "own"));
        assertThat(mark(file, "A").points()).isEqualTo(0.5);
        QtiFile odd = item(
                response("single", "identifier", correct("B")), "", own.replace("qti-match>", "qti-custom-operator>"));
        assertThat(mark(odd, "B").rule()).isEqualTo("unknown");
    }

    @Test
    void whatCantBeAskedOrIsOutsideIsSaidByName() throws Exception {
        ReadForm form = item(
                        "",
                        "<p>Look <img src='https://elsewhere.example/a.png'/></p><qti-hotspot-interaction "
                                + "response-identifier='R'/><qti-portable-custom-interaction response-identifier='S'/>",
                        "")
                .form();
        assertThat(form.lines()).isEmpty();
        assertThat(form.findings())
                .extracting(finding -> finding.kind() + " " + finding.detail())
                .containsExactly(
                        Kind.OUTSIDE_REFERENCE + " https://elsewhere.example/a.png",
                        Kind.UNKNOWN_INTERACTION + " qti-hotspot-interaction",
                        Kind.UNKNOWN_INTERACTION + " qti-portable-custom-interaction");
    }

    @Test
    void entitiesAndOtherFilesAreRefused() {
        String bomb =
                "<!DOCTYPE a [<!ENTITY x SYSTEM 'file:///etc/passwd'>]><qti-assessment-item>&x;</qti-assessment-item>";
        refused(bomb.getBytes(StandardCharsets.UTF_8), Reason.DECLARES_ENTITIES);
        refused(bomb.getBytes(StandardCharsets.UTF_16), Reason.DECLARES_ENTITIES);
        refused("no xml".getBytes(StandardCharsets.UTF_8), Reason.NOT_QTI);
        refused("<html/>".getBytes(StandardCharsets.UTF_8), Reason.NO_ITEMS);
        refused(new byte[] {'P', 'K', 3, 4, 0, 0}, Reason.NO_ITEMS);
    }

    private static void refused(byte[] file, Reason why) {
        assertThatThrownBy(() -> QtiFile.read(file))
                .isInstanceOf(QtiRefusedException.class)
                .extracting(failure -> ((QtiRefusedException) failure).reason())
                .isEqualTo(why);
    }

    private static Line line(String id, LineTraits traits) {
        return new Line(id, traits, "words <of> " + id + " & more", Optional.empty());
    }

    private static QuestionWithLines asked(String id, Question question, ChoiceMark... marks) {
        List<Line> lines = new java.util.ArrayList<>();
        lines.add(line(id, LineTraits.of(LineKind.QUESTION).withQuestion(question)));
        for (int i = 0; i < marks.length; i++) {
            lines.add(line(id + i, LineTraits.of(LineKind.CHOICE).withMark(marks[i])));
        }
        return QuestionWithLines.on(lines).get(0);
    }

    @Test
    void whatIsWrittenIsReadAgainAndMarkedAlike(@TempDir Path folder) throws Exception {
        ChoiceMark right = new ChoiceMark(true, 0);
        List<QuestionWithLines> questions = List.of(
                asked("one", Question.of(AnswerKind.ONE_CHOICE).withPoints(2), ChoiceMark.NONE, right),
                asked("several", Question.of(AnswerKind.SEVERAL_CHOICES), right, ChoiceMark.NONE, right),
                asked("words", Question.of(AnswerKind.SHORT_WORDS).withAccepted(List.of("sea", "ocean"))),
                asked(
                        "number",
                        Question.of(AnswerKind.NUMBER)
                                .withNumber(new NumberKey(
                                        BigDecimal.TEN, BigDecimal.ONE, "cm", false, DecimalSign.EITHER))),
                asked("order", Question.of(AnswerKind.ORDER).withPoints(3), right, right, right),
                asked(
                        "pairs",
                        Question.of(AnswerKind.PAIRS).withPoints(2),
                        new ChoiceMark(false, 1),
                        new ChoiceMark(false, 2),
                        new ChoiceMark(false, 1),
                        new ChoiceMark(false, 2)),
                asked("long", Question.of(AnswerKind.LONG_TEXT)),
                asked("spoken", Question.of(AnswerKind.SPOKEN)));
        Path sound = Files.write(folder.resolve("a.mp3"), new byte[] {1, 2, 3});
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        QtiPackage.write("Sea", "en", questions, Map.of("one", sound, "one1", sound), out);
        QtiFile file = QtiFile.read(out.toByteArray());
        List<ReadLine> read = file.form().lines();
        assertThat(read.stream().filter(each -> each.kind() == LineKind.QUESTION))
                .extracting(each -> each.traits().question().kind() + " "
                        + each.traits().question().points() + " "
                        + QuestionKind.keyOf(each.traits().question()))
                .containsExactly(
                        "ONE_CHOICE 2 ",
                        "SEVERAL_CHOICES 1 ",
                        "SHORT_WORDS 1 sea / ocean",
                        "NUMBER 1 10",
                        "ORDER 3 ",
                        "PAIRS 2 ",
                        "LONG_TEXT 1 ",
                        "SPOKEN 1 ");
        assertThat(read.get(0).words()).contains("words <of> one & more");
        assertThat(read.stream().map(each -> each.traits().mark().right()).limit(6))
                .containsExactly(false, false, true, false, true, false);
        assertThat(points(file, "question-1", "c-one1")).isEqualTo(2);
        assertThat(points(file, "question-2", "c-several0|c-several1")).isZero();
        assertThat(points(file, "question-2", "c-several2")).isEqualTo(0.5);
        assertThat(points(file, "question-3", "ocean")).isEqualTo(1);
        assertThat(points(file, "question-4", "9.5")).isEqualTo(1);
        assertThat(points(file, "question-5", "c-order0 c-order1 c-order2")).isEqualTo(3);
        assertThat(points(file, "question-6", "c-pairs0 c-pairs2")).isEqualTo(1);
    }

    @Test
    void praiseAndCorrectionsGoOutWithTheirSoundsAndComeBackOnTheirChoices(@TempDir Path folder) throws Exception {
        List<Line> lines = List.of(
                line("q", LineTraits.of(LineKind.QUESTION).withQuestion(Question.of(AnswerKind.ONE_CHOICE))),
                line("a", LineTraits.of(LineKind.CHOICE)),
                line("of-a", LineTraits.of(LineKind.CORRECTION)),
                line("b", LineTraits.of(LineKind.CHOICE).withMark(new ChoiceMark(true, 0))),
                line("c", LineTraits.of(LineKind.CHOICE)),
                line("well", LineTraits.of(LineKind.PRAISE)),
                line("no", LineTraits.of(LineKind.CORRECTION)));
        Path sound = Files.write(folder.resolve("a.mp3"), new byte[] {1, 2, 3});
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        QtiPackage.write("Sea", "en", QuestionWithLines.on(lines), Map.of("of-a", sound, "well", sound), out);
        QtiFile file = QtiFile.read(out.toByteArray());
        assertThat(file.form().lines())
                .extracting(each -> each.kind() + " " + each.words().replaceAll(".*<of> (\\S+) .*", "$1"))
                .containsExactly(
                        "QUESTION q",
                        "CHOICE a",
                        "CORRECTION of-a",
                        "CHOICE b",
                        "CHOICE c",
                        "PRAISE well",
                        "CORRECTION no");
        assertThat(points(file, "question-1", "c-b")).isEqualTo(1);
        assertThat(points(file, "question-1", "c-a")).isZero();
        assertThat(new String(out.toByteArray(), StandardCharsets.ISO_8859_1))
                .contains("sounds/of-a.mp3", "sounds/well.mp3")
                .doesNotContain("left-out.txt");
    }

    /** What is declared of a response is what its interaction gives (ASI 2.7): a file of an upload, a text of a field. */
    @ParameterizedTest
    @EnumSource(AnswerKind.class)
    void eachKindDeclaresWhatItIsAnsweredWith(AnswerKind kind) {
        Question question = Question.of(kind).withAccepted(List.of("sea")).withNumber(NumberKey.of(BigDecimal.TEN));
        QuestionWithLines asked = asked("q", question, new ChoiceMark(true, 1), new ChoiceMark(false, 1));
        String xml = new String(new QtiItemWriter(1, asked, "Sea", "en", Set.of()).write(), StandardCharsets.UTF_8);
        String declared = xml.replaceAll("(?s).*cardinality=\"(\\w+)\" base-type=\"(\\w+)\".*?<qti-outcome.*", "$1 $2");
        String interaction = xml.replaceAll("(?s).*<(qti-[a-z-]+-interaction).*", "$1");
        assertThat(declared)
                .isIn(
                        switch (interaction) {
                            case "qti-choice-interaction" -> Set.of("single identifier", "multiple identifier");
                            case "qti-order-interaction" -> Set.of("ordered identifier");
                            case "qti-match-interaction" -> Set.of("multiple directedPair");
                            case "qti-text-entry-interaction" -> Set.of("single string", "single float");
                            case "qti-extended-text-interaction" -> Set.of("single string");
                            default -> Set.of("single file");
                        });
        boolean marked = kind.isMarkedByRule() && kind != AnswerKind.AREAS;
        assertThat(xml.contains("<qti-response-processing")).isEqualTo(marked);
        assertThat(xml.contains("<qti-correct-response>")).isEqualTo(marked);
    }

    private static double points(QtiFile file, String item, String cell) {
        return file.mark(item, Map.of("RESPONSE", file.values(item, "RESPONSE", cell)))
                .orElseThrow()
                .points();
    }
}
