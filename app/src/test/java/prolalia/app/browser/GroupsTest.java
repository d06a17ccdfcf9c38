package prolalia.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import prolalia.app.web.Visitor;

/** From a list of names to groups that go round among the stations. */
class GroupsTest extends Browsing {
    @Test
    void twentyEightChildrenFromAListAreInFourGroupsThatGoRoundAndOneIsDraggedOut() throws Exception {
        Page page = desk();
        page.navigate(base() + "/classes");
        page.locator("form[action$='/classes'] input[name=name]").fill("Waders");
        page.keyboard().press("Enter");
        page.locator("textarea[name=names]")
                .fill(IntStream.range(0, 28)
                        .mapToObj(number -> "Child " + number)
                        .collect(Collectors.joining("\n")));
        page.locator("form:has(textarea[name=names]) button").click();
        page.locator(".faces").getByText("Groups").click();
        page.locator(".deal button").click();
        Locator groups = page.locator("form.group .tags");
        assertThat(groups.count()).isEqualTo(4);
        assertThat(groups.first().locator(".tag").count()).isEqualTo(7);

        Locator child = groups.first().locator(".tag").first();
        String name = child.innerText();
        page.waitForResponse(
                answer -> answer.url().endsWith("/groups/move"), () -> child.dragTo(page.locator(".group.none .tags")));
        page.reload();
        assertThat(page.locator(".group.none .tags").innerText()).isEqualTo(name);
        assertThat(groups.first().locator(".tag").count()).isEqualTo(6);
        // Without a mouse: all are taken, and kept.
        page.locator("form.group details summary").first().click();
        page.locator("form.group .take-all").first().click();
        page.locator("form.group .btn.go").first().click();
        until(page, () -> groups.first().locator(".tag").count() == 28);

        String bean = Visitor.first(
                page.context().request().get(base() + "/").text(), "/lessons/([^\"/]+)\">\\s*<b>How a bean");
        page.navigate(base() + "/lessons/" + bean + "/rotation");
        page.locator(".of-class").getByText("Waders (4)").click();
        assertThat(page.locator("textarea[name=names]").inputValue()).contains("Group 1\nGroup 2\nGroup 3\nGroup 4");
        page.navigate(page.url().replaceFirst("\\?.*", ""));
        assertThat(page.locator("textarea[name=names]").inputValue())
                .as("nothing is kept until the plan is made")
                .doesNotContain("Group 4");
    }
}
