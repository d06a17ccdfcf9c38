package prolalia.core.published;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import prolalia.core.answer.AnswerManner.Layout;
import prolalia.core.marking.QuestionWithLines;
import prolalia.core.page.Placed;
import prolalia.core.published.PublishedLesson.PublishedLine;
import prolalia.core.published.PublishedLesson.PublishedPage;

/**
 * A lesson whose questions are asked one after another: a page without a picture that asks several becomes as many pages, each
 * with what stands before its question and after the one before. The first keeps the page's name, so that ways still lead there.
 */
public final class OneByOne {
    private OneByOne() {}

    public static PublishedLesson of(PublishedLesson lesson) {
        if (lesson.settings().answering().layout() != Layout.ONE) {
            return lesson;
        }
        return new PublishedLesson(
                lesson.title(),
                lesson.settings(),
                lesson.pages().stream().flatMap(page -> parts(page).stream()).toList(),
                lesson.every(),
                lesson.prompts());
    }

    private static List<PublishedPage> parts(PublishedPage page) {
        Set<String> questions =
                page.questions().stream().map(QuestionWithLines::id).collect(Collectors.toSet());
        if (page.picture() != null || questions.size() < 2) {
            return List.of(page);
        }
        List<List<PublishedLine>> parts = new ArrayList<>(List.of(new ArrayList<>()));
        boolean asked = false;
        boolean over = false;
        for (PublishedLine line : page.lines()) {
            boolean question = questions.contains(line.line().id());
            // What doesn't belong to the question above it stands with the next one.
            over = over || asked && !QuestionWithLines.belongs(line.line().kind());
            if (over) {
                parts.add(new ArrayList<>());
                asked = false;
                over = false;
            }
            asked = asked || question;
            parts.get(parts.size() - 1).add(line);
        }
        if (!asked && parts.size() > 1) {
            List<PublishedLine> rest = parts.remove(parts.size() - 1);
            parts.get(parts.size() - 1).addAll(rest);
        }
        List<PublishedPage> pages = new ArrayList<>();
        for (List<PublishedLine> part : parts) {
            boolean first = pages.isEmpty();
            pages.add(new PublishedPage(
                    first ? page.id() : page.id() + "." + (pages.size() + 1),
                    null,
                    part,
                    first ? page.placed() : new Placed(List.of(), page.placed().manner()),
                    page.title()));
        }
        return pages;
    }
}
