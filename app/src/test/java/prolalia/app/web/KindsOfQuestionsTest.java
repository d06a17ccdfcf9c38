package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.ResourceBundle;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.core.io.ClassPathResource;
import prolalia.core.answer.AnswerKind;
import prolalia.core.answer.Question;
import prolalia.core.marking.QuestionKind;

/** The places that a kind of question needs besides its code: a new one fails here until it has all of them. */
class KindsOfQuestionsTest {
    private static final ResourceBundle WORDS = ResourceBundle.getBundle("messages", Locale.ENGLISH);

    private static final ResourceBundle OF_CHILDREN = ResourceBundle.getBundle("student", Locale.ENGLISH);

    private static String fragment(AnswerKind kind) throws IOException {
        return new ClassPathResource("templates/player/kinds/" + kind.slug() + ".html")
                .getContentAsString(StandardCharsets.UTF_8);
    }

    @ParameterizedTest
    @EnumSource
    void aKindHasWordsAFragmentAndAModule(AnswerKind kind) throws IOException {
        assertThat(WORDS.containsKey("answerKind." + kind)).isTrue();
        assertThat(fragment(kind)).contains("th:fragment=\"answer(of)\"");
        assertThat(Files.readString(Path.of("src/main/resources/static/assets/answering/kinds.js")))
                .containsPattern("(?m)^  '?" + kind.slug() + "'?: ");
    }

    @ParameterizedTest
    @EnumSource
    void whatItCanDoIsThereForIt(AnswerKind kind) throws IOException {
        if (kind.hasRightChoices()) {
            assertThat(fragment(kind)).contains("th:fragment=\"pick(of, said)\"");
        }
        if (kind.isFree()) {
            assertThat(fragment(kind)).contains("th:fragment=\"sign\"").contains("data-way=\"" + kind + "\"");
            assertThat(OF_CHILDREN.containsKey("answer.way." + kind)).isTrue();
        }
        if (QuestionKind.of(kind).hasTypedKey()) {
            assertThat(WORDS.containsKey("question.key." + kind)).isTrue();
            Question question = Question.of(kind);
            Question known = QuestionKind.of(kind).withKey(question, "6").orElseThrow();
            assertThat(QuestionKind.keyOf(known)).isEqualTo("6");
            assertThat(QuestionKind.keyOf(
                            QuestionKind.of(kind).withKey(known, " ").orElseThrow()))
                    .isEmpty();
        }
    }
}
