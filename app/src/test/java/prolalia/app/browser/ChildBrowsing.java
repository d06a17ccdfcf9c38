package prolalia.app.browser;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.WaitForSelectorState;
import prolalia.app.web.Visitor;

/** Children at what was given to a class. */
abstract class ChildBrowsing extends Browsing {
    String classId;
    String door;
    String ada;
    String assignment;

    /** Where children come: by which name, on which line. */
    String at() {
        return base();
    }

    /** A form of all kinds of questions is given to a new class of two. */
    void given(Visitor ines, String name) throws Exception {
        given(ines, name, Visitor.first(ines.page("/?all=true"), "href=\"/lessons/([^\"]+)\">\\s*<b>Weather tools"));
    }

    void given(Visitor ines, String name, String form) throws Exception {
        classId = Visitor.newClass(ines, name);
        ines.form("/classes/" + classId + "/students", "names", "Ada\nBo");
        ada = Visitor.first(ines.page("/classes/" + classId), "/students/([^\"]+)\"");
        door = Visitor.first(ines.page("/classes/" + classId + "/door"), "/door/([\\w-]{20,})\"");
        String query =
                ines.form("/lessons/" + form + "/give", "to", classId).uri().getQuery();
        assignment = Visitor.first(query, "given=([^&]+)");
    }

    /** Through the door, by her pictures. */
    void enter(Page child, Visitor ines, String student) throws Exception {
        child.navigate(at() + "/door/" + door + "/" + student);
        for (String picture : Visitor.key(ines, classId, student).split(" ")) {
            child.locator("[data-picture=" + picture + "]").click();
        }
        child.waitForURL("**/my");
    }

    /** A page of what was given, ready to be answered. */
    void page(Page child, int number) {
        child.navigate(at() + "/my/" + assignment + "/" + number);
        child.waitForSelector(".answers-here");
    }

    static void kept(Page child) {
        child.waitForSelector(
                "#answer-state[data-state=saved]",
                new Page.WaitForSelectorOptions().setState(WaitForSelectorState.ATTACHED));
    }
}
