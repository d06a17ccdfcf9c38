package prolalia.media;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.function.Function;
import prolalia.core.sound.Judgement;
import prolalia.core.sound.Leveller;
import prolalia.core.sound.Leveller.Levelled;
import prolalia.core.sound.LoudnessMeter;
import prolalia.core.sound.Overlap;
import prolalia.core.sound.OverlapTrimmer;
import prolalia.core.sound.OverlapTrimmer.OwnPart;
import prolalia.core.sound.Peaks;
import prolalia.core.sound.Preparation;
import prolalia.core.sound.PreparedTake;
import prolalia.core.sound.Refusal;
import prolalia.core.sound.Sound;
import prolalia.core.sound.Span;
import prolalia.core.sound.SpokenPart;
import prolalia.core.sound.TakePreparation;
import prolalia.core.sound.TruePeakMeter;
import prolalia.core.sound.edit.EditPlan;
import prolalia.core.sound.edit.EditedTake;

/**
 * From a file to the MP3 that is listened to: decode, prepare, encode, and listen to what was encoded.
 *
 * <p>Lossy coding moves peaks and loudness; the encoded file is measured, and where it is off the take is levelled again
 * and encoded once more. Stateless and thread-safe.
 */
public final class TakeRenderer {
    private static final int MOST_ROUNDS = 3;
    private static final double SAFETY_DB = 0.1;

    /** Half of what two takes of a lesson may differ by. */
    private static final double LOUDNESS_TOLERANCE_LU = 0.25;

    private TakeRenderer() {}

    /**
     * What was rendered.
     *
     * @param preparation the take, or why there is none
     * @param recording all of it that is this line's, mono at 48 kHz; null when nothing could be decoded
     * @param declaredMs the length that the file states, -1 when it states none
     * @param truncated whether the file ends well before that
     */
    public record Rendering(Preparation preparation, Sound recording, long declaredMs, boolean truncated) {}

    /**
     * A recording that was judged.
     *
     * @param recording all of it that is this line's, mono at 48 kHz; null when nothing could be decoded
     * @param declaredMs the length that the file states, -1 when it states none
     * @param truncated whether the file ends well before that
     * @param own what of the whole file is this line's, and what else could be; null when nothing could be decoded
     */
    public record Judged(Judgement judgement, Sound recording, long declaredMs, boolean truncated, OwnPart own) {
        private Rendering rendering(Preparation preparation) {
            return new Rendering(preparation, recording, declaredMs, truncated);
        }
    }

    /** What is done with all of a recording that is its line's while it is judged. */
    @FunctionalInterface
    public interface Meanwhile {
        Meanwhile NOTHING = recording -> {};

        void with(Sound recording) throws IOException;
    }

    /**
     * Judges a recording: what is said in it.
     *
     * @param longestMs the school's longest recording
     * @param overlap what at each end may be a neighbouring line's ({@link OverlapTrimmer})
     * @param wholeAnyway take all of it, even when nobody is found speaking
     * @param meanwhile done on another thread, and over when this is; also of what turns out to be no take
     */
    public static Judged judge(Path file, long longestMs, Overlap overlap, boolean wholeAnyway, Meanwhile meanwhile)
            throws IOException {
        return judge(file, longestMs, sound -> OverlapTrimmer.without(sound, overlap), wholeAnyway, meanwhile);
    }

    /** The same of a part of it that is known to be this line's. */
    public static Judged judge(Path file, long longestMs, Span own, Meanwhile meanwhile) throws IOException {
        return judge(file, longestMs, sound -> new OwnPart(own, null), false, meanwhile);
    }

    private static Judged judge(
            Path file, long longestMs, Function<Sound, OwnPart> ownPart, boolean wholeAnyway, Meanwhile meanwhile)
            throws IOException {
        SoundReader.Decoded decoded;
        try {
            decoded = SoundReader.decode(file, longestMs);
        } catch (UnreadableSoundException unreadable) {
            return new Judged(new Refusal(unreadable.reason(), 0), null, -1, false, null);
        }
        OwnPart own = ownPart.apply(decoded.sound());
        boolean all = own.span().equals(new Span(0, decoded.sound().durationMs()));
        Sound recording = all ? decoded.sound() : decoded.sound().slice(own.span());
        CompletableFuture<Void> beside = CompletableFuture.runAsync(() -> {
            try {
                meanwhile.with(recording);
            } catch (IOException failure) {
                throw new UncheckedIOException(failure);
            }
        });
        Judgement judgement = TakePreparation.judge(recording, longestMs, wholeAnyway);
        try {
            beside.join();
        } catch (CompletionException failure) {
            if (failure.getCause() instanceof Error error) {
                throw error;
            }
            if (failure.getCause() instanceof UncheckedIOException unwritable) {
                throw unwritable.getCause();
            }
            throw failure;
        }
        if (judgement instanceof Refusal refusal) {
            judgement = new Refusal(refusal.reason(), Math.max(refusal.durationMs(), decoded.declaredMs()));
        }
        return new Judged(judgement, recording, decoded.declaredMs(), decoded.truncated(), own);
    }

    /**
     * Renders a recording.
     *
     * @param mp3 written when the preparation is a take
     */
    public static Rendering render(Path file, long longestMs, boolean wholeAnyway, Path mp3) throws IOException {
        Judged judged = judge(file, longestMs, Overlap.NONE, wholeAnyway, Meanwhile.NOTHING);
        if (!(judged.judgement() instanceof SpokenPart part)) {
            return judged.rendering((Refusal) judged.judgement());
        }
        Levelled heard = render(judged.recording(), part.trim(), mp3);
        return judged.rendering(new PreparedTake(
                part.trim(),
                part.original(),
                heard.sound(),
                heard.gainDb(),
                heard.loudnessLufs(),
                Peaks.of(heard.sound())));
    }

    /** Renders a part of a recording. @param mp3 written */
    public static Levelled render(Sound recording, Span trim, Path mp3) throws IOException {
        return encode(target -> TakePreparation.level(recording, trim, target), TakePreparation.BEFORE_ENCODING, mp3);
    }

    /**
     * Renders a take as its edits say.
     *
     * @param original the whole recording
     * @param plan that leaves something
     * @param mp3 written
     */
    public static PreparedTake renderEdited(Sound original, EditPlan plan, Path mp3) throws IOException {
        EditedTake edited = EditedTake.of(original, plan);
        return edited.prepared(encode(edited::level, edited.target(), mp3));
    }

    private static Levelled encode(Function<Leveller.Target, Levelled> level, Leveller.Target first, Path mp3)
            throws IOException {
        Leveller.Target target = first;
        double wanted = Leveller.TARGET_LUFS + first.loudnessLufs() - TakePreparation.BEFORE_ENCODING.loudnessLufs();
        for (int round = 1; ; round++) {
            Levelled take = level.apply(target);
            SoundWriter.writeMp3(take.sound(), mp3);
            Heard heard = hear(mp3);
            double over = heard.truePeakDbtp() - Leveller.HIGHEST_TRUE_PEAK_DBTP;
            double missing = wanted - heard.loudnessLufs();
            // Loudness that the leveller itself could not reach won't be reached by trying again.
            boolean loudEnough = Math.abs(missing) <= LOUDNESS_TOLERANCE_LU
                    || Math.abs(take.loudnessLufs() - target.loudnessLufs()) > LOUDNESS_TOLERANCE_LU;
            if (over <= 0 && loudEnough) {
                return take;
            }
            if (round == MOST_ROUNDS) {
                return over <= 0 ? take : quieter(take, over + SAFETY_DB, mp3);
            }
            target = new Leveller.Target(
                    target.loudnessLufs() + (loudEnough ? 0 : missing),
                    over > 0 ? target.ceilingDbtp() - over - SAFETY_DB : target.ceilingDbtp());
        }
    }

    /** Whatever came in, nothing is heard that is over: rather a little too quiet. */
    private static Levelled quieter(Levelled take, double byDb, Path mp3) throws IOException {
        Levelled softer = take.softer(byDb);
        SoundWriter.writeMp3(softer.sound(), mp3);
        return softer;
    }

    private record Heard(double loudnessLufs, double truePeakDbtp) {}

    /** Measures what was encoded as it is decoded again, at its own rate, so that it isn't held in memory. */
    private static Heard hear(Path mp3) throws IOException {
        LoudnessMeter loudness = new LoudnessMeter(SoundWriter.MP3_SAMPLE_RATE, 1);
        TruePeakMeter peak = new TruePeakMeter(SoundWriter.MP3_SAMPLE_RATE);
        try {
            SoundReader.read(mp3, SoundWriter.MP3_SAMPLE_RATE, (channels, count, rate) -> {
                loudness.add(channels, count);
                peak.add(channels[0], count);
                return true;
            });
        } catch (UnreadableSoundException unreadable) {
            throw new IOException("What was just encoded can't be read", unreadable);
        }
        return new Heard(loudness.integratedLufs(), peak.truePeakDbtp());
    }
}
