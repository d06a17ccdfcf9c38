package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class FreeAnswersTest extends RunningHouse {
    private static final String FREE = "Write, say or draw your answer.";

    private static int places(Visitor ines, String lesson) throws Exception {
        return ines.page("/lessons/" + lesson).split(FREE + "</textarea>", -1).length - 1;
    }

    @Test
    void everyPageGetsAPlaceOnceAndOneTakeIsHeardOnAll() throws Exception {
        Visitor ines = Visitor.ines(base());
        String lesson = ines.lessonOf(ines.newLine("Look at the pool."));
        ines.form("/lessons/" + lesson + "/pages");
        ines.form("/lessons/" + lesson + "/free-answers/page");
        assertThat(places(ines, lesson)).isEqualTo(1);
        ines.form("/lessons/" + lesson + "/free-answers");
        ines.form("/lessons/" + lesson + "/free-answers");
        String script = ines.page("/lessons/" + lesson);
        assertThat(places(ines, lesson)).as("the page with one gets no other").isEqualTo(3);
        assertThat(script).contains("3 pages").contains("2 lines added");
        ines.form("/lessons/" + lesson + "/undo");
        assertThat(places(ines, lesson)).isEqualTo(1);
    }
}
