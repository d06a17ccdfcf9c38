package prolalia.app.demo;

import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import prolalia.app.account.Actor.Student;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.listening.ChildRemarks;
import prolalia.app.listening.RemarkService;
import prolalia.app.listening.RemarkService.At;
import prolalia.app.response.ResultsService;
import prolalia.app.response.ResultsService.Answered;
import prolalia.app.spoken.ChunkedRecordings;
import prolalia.core.answer.AnswerKind;
import prolalia.core.place.Area;
import prolalia.core.remark.Passage;
import prolalia.core.remark.RemarkPlace;

/** What Ines said back to the form, made up: at passages, at moments, at a place of a drawing; some of it not given back as yet. */
@Component
@ConditionalOnProperty("prolalia.demo")
class DemoRemarks {
    private static final int SPOKEN = 3;
    private static final RemarkPlace ON_DRAWING = new RemarkPlace(null, new Area(0.36, 0.25, 0.25, 0.4), null, null);

    private final RemarkService remarks;
    private final ResultsService results;
    private final ChildRemarks replies;
    private final ChunkedRecordings recordings;

    DemoRemarks(RemarkService remarks, ResultsService results, ChildRemarks replies, ChunkedRecordings recordings) {
        this.recordings = recordings;
        this.replies = replies;
        this.remarks = remarks;
        this.results = results;
    }

    void make(Teacher ines, String assignmentId) throws IOException {
        int spoken = 0;
        boolean drawn = false;
        for (Answered each : results.answered(ines, assignmentId)) {
            At at = new At(assignmentId, each.student().id(), each.question().id());
            String typed = each.answer().given().typed();
            AnswerKind kind = each.question().asked().question().kind();
            int misspelt = typed.indexOf("becose");
            if (misspelt >= 0) {
                remarks.type(
                        ines,
                        at,
                        "Listen: be-cause.",
                        new RemarkPlace(Passage.of(typed, misspelt, misspelt + 6), null, null, null));
            } else if (kind == AnswerKind.SPOKEN && spoken < SPOKEN) {
                String piece = each.answer().given().spoken().get(0);
                say(ines, at, spoken % 2 + 1, new RemarkPlace(null, null, piece, spoken == 1 ? 900L : 1_600L));
                spoken++;
            } else if (kind == AnswerKind.DRAWING && !drawn) {
                remarks.type(ines, at, "What a bright sun!", ON_DRAWING);
                drawn = true;
            }
        }
        remarks.give(ines, assignmentId, null, null);
        List<Answered> all = results.answered(ines, assignmentId);
        Answered last = all.get(all.size() - 1);
        remarks.type(
                ines,
                new At(assignmentId, last.student().id(), last.question().id()),
                "Tell me about this one tomorrow.",
                RemarkPlace.WHOLE);
    }

    /** One child answers by voice what was said to her. */
    void reply(List<Student> children, String assignmentId) throws IOException {
        for (Student child : children) {
            Optional<String> to = replies.forChild(child, assignmentId).questions().stream()
                    .flatMap(on -> on.thread().stream())
                    .map(shown -> shown.remark().id())
                    .findFirst();
            if (to.isPresent()) {
                String id = UUID.randomUUID().toString();
                try (InputStream content = new ClassPathResource("demo/weather/child-2.ogg").getInputStream()) {
                    recordings.receive(replies.place(child, assignmentId, to.get()), id, "audio/ogg", 0, content);
                }
                replies.end(child, assignmentId, to.get(), id, 1);
                return;
            }
        }
    }

    /** Something to a drawing of the second lesson; the rest is still to be heard. */
    void praise(Teacher ines, String assignmentId) {
        results.answered(ines, assignmentId).stream()
                .filter(each -> !each.answer().given().drawn().isEmpty())
                .limit(2)
                .forEach(each -> remarks.type(
                        ines,
                        new At(
                                assignmentId,
                                each.student().id(),
                                each.question().id()),
                        "I can see how you counted.",
                        RemarkPlace.WHOLE));
        remarks.give(ines, assignmentId, null, null);
    }

    private void say(Teacher ines, At at, int voice, RemarkPlace place) throws IOException {
        String id = UUID.randomUUID().toString();
        try (InputStream content = new ClassPathResource("demo/weather/remark-" + voice + ".ogg").getInputStream()) {
            recordings.receive(remarks.place(ines, at), id, "audio/ogg", 0, content);
        }
        remarks.end(ines, at, id, 1, place);
    }
}
