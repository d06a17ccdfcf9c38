package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import prolalia.app.account.AccountService;

/** Who comes in, and what each sees of the other's. */
class AccountsTest extends RunningHouse {
    @Autowired
    private AccountService accounts;

    private Visitor signedIn(String name, String password) throws Exception {
        Visitor visitor = new Visitor(base());
        visitor.get("/sign-in");
        visitor.form("/sign-in", "name", name, "password", password);
        return visitor;
    }

    private static boolean isIn(Visitor visitor) throws Exception {
        return visitor.get("/").uri().getPath().equals("/");
    }

    @Test
    void anAccountIsMadeOnceAndItsNameIsTheSameInAnyCase() throws Exception {
        assertThat(accounts.add("Edda Rook", "Edda ", "night heron 9")).isEmpty();
        assertThat(accounts.add("Another", "EDDA", "night heron 9").orElseThrow())
                .hasToString("TAKEN");
        assertThat(accounts.add("Edda", "edda2", "short").orElseThrow()).hasToString("SHORT_PASSWORD");
        assertThat(accounts.add(" ", "edda2", "night heron 9").orElseThrow()).hasToString("NO_FULL_NAME");
        assertThat(accounts.add("Edda", "", "night heron 9").orElseThrow()).hasToString("NO_SIGN_IN_NAME");
        assertThat(accounts.add("Edda", "edda2", "x".repeat(201)).orElseThrow()).hasToString("TOO_LONG");
        assertThat(isIn(signedIn("eDDa", "night heron 9"))).isTrue();
        assertThat(isIn(signedIn("edda", "Night heron 9"))).isFalse();
        assertThat(isIn(signedIn("nobody", "night heron 9"))).isFalse();
    }

    @Test
    void theFirstAccountCanNotBeMadeASecondTime() throws Exception {
        Visitor visitor = new Visitor(base());
        visitor.get("/sign-in");
        HttpResponse<byte[]> answer =
                visitor.form("/first-account", "fullName", "Thief", "name", "thief", "password", "long enough");
        assertThat(answer.uri().getPath()).isEqualTo("/sign-in");
        assertThat(accounts.teacher("thief")).isEmpty();
    }

    @Test
    void oneTeachersLessonsAreNotThereForAnother() throws Exception {
        Visitor ines = Visitor.ines(base());
        String line = ines.newLine("Only for Terns");
        String lesson = ines.lessonOf(line);
        accounts.add("Tobi Two", "tobi2", "grey plover 7");
        Visitor tobi = signedIn("tobi2", "grey plover 7");
        assertThat(tobi.page("/")).doesNotContain(lesson).contains("Your desk is empty");
        for (String path : new String[] {
            "/lessons/" + lesson,
            "/lessons/" + lesson + "/give-link",
            "/lessons/" + lesson + "/code.png",
            "/lines/" + line + "/recorder",
            "/lines/" + line + "/takes"
        }) {
            assertThat(tobi.get(path).statusCode()).as(path).isEqualTo(404);
        }
        assertThat(tobi.putForm("/lines/" + line + "/words", "revision", "2", "words", "Mine now")
                        .statusCode())
                .isEqualTo(404);
        assertThat(tobi.form("/lessons/" + lesson + "/link/renew").statusCode()).isEqualTo(404);
        tobi.form("/lessons/" + lesson + "/remove");
        assertThat(ines.page("/lessons/" + lesson)).contains("Only for Terns");
        assertThat(tobi.form("/lines/" + line + "/put-back").statusCode()).isEqualTo(404);
    }

    @Test
    void aScriptThatAsksWhileSignedOutIsToldSoAndAFormWithoutItsTokenIsRefused() throws Exception {
        Visitor stranger = new Visitor(base());
        stranger.get("/sign-in");
        assertThat(stranger.putForm("/lines/any/words", "revision", "1", "words", "x")
                        .statusCode())
                .isEqualTo(401);
        Visitor ines = Visitor.ines(base());
        HttpResponse<byte[]> withoutToken = ines.withoutToken("/lessons", "title=x");
        assertThat(withoutToken.statusCode()).isEqualTo(403);
        assertThat(Visitor.text(withoutToken)).contains("sign in again").doesNotContain("Exception");
    }
}
