package prolalia.app.browser;

import com.microsoft.playwright.FileChooser;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;

/** From a file to a stage. */
abstract class StageBrowsing extends ChildBrowsing {
    /** A new lesson whose worksheet is looked over. */
    Page review(String title, String file) throws Exception {
        Page page = desk();
        page.getByLabel("What is it about?").fill(title);
        // By its key: a notice that comes in above it moves the button.
        page.getByText("Bring in slides or papers").press("Enter");
        page.waitForURL("**/bring-in");
        byte[] content;
        try (var in = StageBrowsing.class.getResourceAsStream("/demo/" + file)) {
            content = in.readAllBytes();
        }
        FileChooser chooser =
                page.waitForFileChooser(() -> page.getByText("Choose files").click());
        chooser.setFiles(new FilePayload(file, "application/octet-stream", content));
        page.waitForSelector(".review[data-state=open]");
        return page;
    }

    static void changed(Page page, int changes) {
        page.waitForSelector(".review[data-changes='" + changes + "']");
    }

    static void take(Page page) {
        page.locator("#take").click();
        page.waitForSelector(".lesson[data-ready]");
    }

    static Page stage(Page page) {
        page.getByText("Pages", new Page.GetByTextOptions().setExact(true)).click();
        page.waitForSelector(".stage[data-state=open]");
        return page;
    }

    static void stageOf(Page page, String lesson, Object number) {
        page.navigate(lesson + "/pages/" + number);
        page.waitForSelector(".stage[data-state=open]");
    }

    static void kept(Page page, int version) {
        page.waitForSelector(".stage[data-version='" + version + "']");
    }
}
