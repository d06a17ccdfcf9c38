package prolalia.app.spoken;

import java.io.IOException;
import java.util.Set;
import org.springframework.stereotype.Component;
import prolalia.app.account.Actor.Teacher;

/** A recording of a line becomes a take of it. */
@Component
class LineUse implements RecordingUse {
    private final TakeMaker maker;
    private final TakeStore takes;
    private final TakeService keeping;

    LineUse(TakeMaker maker, TakeStore takes, TakeService keeping) {
        this.maker = maker;
        this.takes = takes;
        this.keeping = keeping;
    }

    @Override
    public Set<RecordingPurpose> purposes() {
        return Set.of(RecordingPurpose.LINE);
    }

    @Override
    public Judgement judge(StoredRecording recording, Ending ending) throws IOException {
        return maker.judge(recording, ending.whole());
    }

    /** A take may have been edited since: all of it is a take beside it. */
    @Override
    public boolean growsInPlace() {
        return false;
    }

    @Override
    public void grew(StoredRecording was, StoredRecording now) {
        if (takes.ofRecording(was.id()).map(StoredTake::kept).orElse(false)) {
            keeping.keep(
                    new Teacher(was.teacherId()),
                    takes.ofRecording(now.id()).orElseThrow().id());
        }
    }
}
