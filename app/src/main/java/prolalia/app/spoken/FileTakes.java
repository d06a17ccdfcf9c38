package prolalia.app.spoken;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.stereotype.Service;
import prolalia.app.account.Actor.Teacher;
import prolalia.app.platform.Ids;

/** Takes made of files that nobody has to hear first: each is kept on its line. */
@Service
public class FileTakes {
    private final LineRecordings recordings;
    private final TakeService takes;

    FileTakes(LineRecordings recordings, TakeService takes) {
        this.recordings = recordings;
        this.takes = takes;
    }

    /**
     * Makes a take of a file and keeps it, if it can be one.
     *
     * @param saidWords what was to be said in it; null: the line's words
     */
    public Verdict keep(Teacher teacher, String lineId, String fileName, String saidWords, Path file)
            throws IOException {
        try (InputStream content = Files.newInputStream(file)) {
            return keep(teacher, lineId, fileName, saidWords, content);
        }
    }

    public Verdict keep(Teacher teacher, String lineId, String fileName, String saidWords, InputStream content)
            throws IOException {
        return keep(teacher, Ids.newId(), lineId, fileName, saidWords, content);
    }

    /** @param recordingId by which the same is taken once, however often it is asked for */
    public Verdict keep(
            Teacher teacher, String recordingId, String lineId, String fileName, String saidWords, InputStream content)
            throws IOException {
        Verdict verdict = recordings.receiveFile(teacher, recordingId, lineId, fileName, saidWords, content);
        if (verdict instanceof Verdict.Taken taken) {
            takes.keep(teacher, taken.take().id());
        }
        return verdict;
    }
}
