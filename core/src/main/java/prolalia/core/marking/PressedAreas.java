package prolalia.core.marking;

import java.util.ArrayList;
import java.util.List;
import prolalia.core.answer.AnswerContent;
import prolalia.core.answer.AnswerContent.Point;
import prolalia.core.answer.Question;
import prolalia.core.place.Area;

/** Places that are pressed on the picture: (right ones − wrong ones) ÷ all right ones. */
record PressedAreas() implements QuestionKind {
    @Override
    public boolean hasKey(QuestionWithLines asked) {
        return !asked.question().areas().isEmpty();
    }

    @Override
    public double share(QuestionWithLines asked, AnswerContent given) {
        List<Area> areas = asked.question().areas();
        List<Area> left = new ArrayList<>(areas);
        int wrong = 0;
        for (Point point : given.pressed()) {
            boolean hit = left.removeIf(area -> contains(area, point));
            // Pressed twice on a right place is no fault.
            if (!hit && areas.stream().noneMatch(area -> contains(area, point))) {
                wrong++;
            }
        }
        return (double) (areas.size() - left.size() - wrong) / areas.size();
    }

    private static boolean contains(Area area, Point point) {
        return point.x() >= area.x()
                && point.x() <= area.x() + area.w()
                && point.y() >= area.y()
                && point.y() <= area.y() + area.h();
    }

    @Override
    public boolean isOnPicture(Question question, boolean choicesPlaced) {
        return true;
    }

    @Override
    public Question placed(Question question, List<Area> areas) {
        return question.withAreas(areas);
    }
}
