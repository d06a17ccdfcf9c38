package prolalia.media.process;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import prolalia.core.align.WordTimes.Word;
import prolalia.core.sound.AnswerCheck;
import prolalia.core.sound.Finding;
import prolalia.core.sound.MicrophoneReport;
import prolalia.core.sound.OverlapTrimmer.OwnPart;
import prolalia.core.sound.Refusal;
import prolalia.core.sound.Span;
import prolalia.core.sound.edit.Edit;
import prolalia.core.sound.edit.EditPlan;

/**
 * What can be asked of a {@link SoundProcess}. Files to be written are named by whoever asks.
 *
 * @param <A> what is answered
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.SIMPLE_NAME, property = "kind")
public sealed interface SoundRequest<A> {
    @JsonIgnore
    Class<A> answer();

    /** @param longestMs what comes after it isn't looked at */
    record Microphone(Path file, long longestMs) implements SoundRequest<MicrophoneReport> {
        @Override
        public Class<MicrophoneReport> answer() {
            return MicrophoneReport.class;
        }
    }

    /** Whether it is sound, by its first {@code lookMs}. */
    record Look(Path file, long lookMs) implements SoundRequest<Looked> {
        @Override
        public Class<Looked> answer() {
            return Looked.class;
        }
    }

    /** @param durationMs as far as it is known without reading all of it */
    record Looked(long durationMs) {}

    /**
     * A recording judged ({@link prolalia.media.TakeRenderer#judge}).
     *
     * @param overlapMs how much at each end may be a neighbour's
     * @param keyOffsMs what is known of the reader's {@link prolalia.core.sound.KeyHabit}
     * @param words that should be said
     * @param flac written with all of the recording that is this line's
     * @param wave written with its magnitudes, one byte for each {@code waveStepMs}
     */
    record Judge(
            Path file,
            long longestMs,
            int overlapMs,
            List<Long> keyOffsMs,
            boolean wholeAnyway,
            String words,
            Path flac,
            Path wave,
            int waveStepMs)
            implements SoundRequest<Judged> {
        @Override
        public Class<Judged> answer() {
            return Judged.class;
        }
    }

    /**
     * A recording judged once more, of which another part than it seemed at first is this line's.
     *
     * @param own that part
     */
    record Recut(Path file, long longestMs, Span own, String words, Path flac, Path wave, int waveStepMs)
            implements SoundRequest<Judged> {
        @Override
        public Class<Judged> answer() {
            return Judged.class;
        }
    }

    /**
     * @param refusal null when it can be a take
     * @param take as it will be, but for what levelling and encoding change in its gain, loudness and peaks; null when it can't
     * @param wholeMs of the whole recording
     * @param own what of it is this line's, and what else could be; null when nothing could be decoded
     */
    record Judged(Refusal.Reason refusal, MadeTake take, long wholeMs, boolean truncated, OwnPart own) {}

    /** The MP3 of a take without edits. @param mp3 written */
    record Render(Path original, Span trim, Path mp3) implements SoundRequest<Rendered> {
        @Override
        public Class<Rendered> answer() {
            return Rendered.class;
        }
    }

    /** What there is to hear in a spoken answer. @param original all of it, of which a part is heard */
    record Hear(Path original, Span trim) implements SoundRequest<HeardAnswer> {
        @Override
        public Class<HeardAnswer> answer() {
            return HeardAnswer.class;
        }
    }

    /** @param skips pauses that need not be played, within what is heard */
    record HeardAnswer(Set<AnswerCheck> checks, List<Span> skips) {}

    /** How a take came out. */
    record Rendered(long durationMs, double gainDb, double loudnessLufs, byte[] peaks) {}

    /** A take as it is heard. */
    record MadeTake(
            Span trim, long durationMs, double gainDb, double loudnessLufs, byte[] peaks, List<Finding> findings) {}

    /** What a take keeps of its original, and the edits that hold. */
    record Edited(Span trim, List<Edit> edits) {
        EditPlan plan(long originalMs) {
            return EditPlan.of(
                    originalMs,
                    new Span(Math.min(trim.startMs(), originalMs), Math.min(trim.endMs(), originalMs)),
                    edits);
        }
    }

    /** A take made anew, as its edits say. */
    record RenderEdited(Path original, Edited edited, String words, Path mp3) implements SoundRequest<MadeTake> {
        @Override
        public Class<MadeTake> answer() {
            return MadeTake.class;
        }
    }

    /**
     * A take that comes from elsewhere with its original ({@link prolalia.media.TakeAnalysis}).
     *
     * @param mp3 the take as it is heard; made when it isn't there
     * @param longestMs an original that is longer is refused
     * @param flac written: the original in our own form
     */
    record Listen(Path original, Path mp3, boolean isThere, Edited edited, String words, long longestMs, Path flac)
            implements SoundRequest<Known> {
        @Override
        public Class<Known> answer() {
            return Known.class;
        }
    }

    record Known(long originalMs, MadeTake take) {}

    /** A long recording read once ({@link prolalia.media.LongRecording}). @param flac written with all of it */
    record Outline(Path file, long longestMs, Path flac) implements SoundRequest<prolalia.media.LongRecording.Outline> {
        @Override
        public Class<prolalia.media.LongRecording.Outline> answer() {
            return prolalia.media.LongRecording.Outline.class;
        }
    }

    /** Stretches of a recording, each as a FLAC file named by its number, from 0. @param spans in order of beginning */
    record Slices(Path file, List<Span> spans, Path folder) implements SoundRequest<Written> {
        @Override
        public Class<Written> answer() {
            return Written.class;
        }
    }

    record Written(int files) {}

    /** When words are said in a take. */
    record Follow(Path file, String words, long longestMs) implements SoundRequest<Followed> {
        @Override
        public Class<Followed> answer() {
            return Followed.class;
        }
    }

    record Followed(List<Word> words) {}

    /** The sound check of a whole recording. @param longestMs the school's longest recording */
    record Check(Path original, String words, long longestMs) implements SoundRequest<Checked> {
        @Override
        public Class<Checked> answer() {
            return Checked.class;
        }
    }

    record Checked(List<Finding> findings) {}

    /** A recording with its noise reduced, as FLAC. */
    record Quieter(Path original, Path flac) implements SoundRequest<Written> {
        @Override
        public Class<Written> answer() {
            return Written.class;
        }
    }

    /** What noise reduction does to a take. */
    record Noise(Path original, Edited edited) implements SoundRequest<NoiseFigures> {
        @Override
        public Class<NoiseFigures> answer() {
            return NoiseFigures.class;
        }
    }

    /**
     * Speech to noise of a take.
     *
     * @param beforeDb as it was recorded
     * @param afterDb with its noise reduced
     */
    record NoiseFigures(double beforeDb, double afterDb) {}

    /** A take as it is heard, without loss. */
    record Wav(Path original, Edited edited, Path wav) implements SoundRequest<Written> {
        @Override
        public Class<Written> answer() {
            return Written.class;
        }
    }
}
