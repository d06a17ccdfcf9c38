package prolalia.media.process;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import prolalia.core.align.WordTimes;
import prolalia.core.sound.AnswerCheck;
import prolalia.core.sound.KeyHabit;
import prolalia.core.sound.Leveller;
import prolalia.core.sound.Leveller.Levelled;
import prolalia.core.sound.Measurement;
import prolalia.core.sound.MicrophoneReport;
import prolalia.core.sound.Overlap;
import prolalia.core.sound.Peaks;
import prolalia.core.sound.PreparedTake;
import prolalia.core.sound.Refusal;
import prolalia.core.sound.Sound;
import prolalia.core.sound.SoundCheck;
import prolalia.core.sound.SoundMeter;
import prolalia.core.sound.SpokenPart;
import prolalia.core.sound.edit.EditPlan;
import prolalia.core.sound.edit.EditedTake;
import prolalia.core.sound.edit.NoiseReduction;
import prolalia.core.sound.edit.PauseSkips;
import prolalia.media.LongRecording;
import prolalia.media.SoundReader;
import prolalia.media.SoundWriter;
import prolalia.media.TakeAnalysis;
import prolalia.media.TakeRenderer;
import prolalia.media.UnreadableSoundException;
import prolalia.media.process.SoundRequest.Checked;
import prolalia.media.process.SoundRequest.Edited;
import prolalia.media.process.SoundRequest.Followed;
import prolalia.media.process.SoundRequest.HeardAnswer;
import prolalia.media.process.SoundRequest.Judged;
import prolalia.media.process.SoundRequest.Known;
import prolalia.media.process.SoundRequest.Looked;
import prolalia.media.process.SoundRequest.MadeTake;
import prolalia.media.process.SoundRequest.NoiseFigures;
import prolalia.media.process.SoundRequest.Rendered;
import prolalia.media.process.SoundRequest.Written;

/**
 * A program that opens files of sound for another one: it reads a {@link SoundRequest} a line on its standard input and says
 * on its standard output {@code progress SHARE} now and then, and at the end {@code answer JSON}, {@code refused REASON},
 * {@code heavy} when its memory wasn't enough, or {@code failed WHY}. It ends when its input does, so that it never outlives
 * whoever started it; a thread of its own watches for that, also in the middle of work.
 */
public final class SoundProcess {
    private static final long WHOLE = Long.MAX_VALUE / 1_000_000;
    private static final int EXIT_HEAVY = 3;

    /** As an argument: what is done first isn't slow, at the price of a few seconds of a processor. */
    public static final String REHEARSE = "rehearse";

    /** Seconds of noise, after which the work is as quick as it gets. */
    private static final int REHEARSALS = 120;

    /** Requests wait here while one is worked on: at most one does. */
    private static final java.util.concurrent.BlockingQueue<String> ASKED =
            new java.util.concurrent.LinkedBlockingQueue<>();

    /** The standard output, where nothing else can write: what any library prints goes to the standard error. */
    private static java.io.PrintStream said;

    private SoundProcess() {}

    public static void main(String[] arguments) throws InterruptedException {
        said = System.out;
        System.setOut(System.err);
        Thread listener = new Thread(SoundProcess::listen, "input");
        listener.setDaemon(true);
        listener.start();
        say("ready");
        int rehearsals = List.of(arguments).contains(REHEARSE) ? REHEARSALS : 0;
        long pauseMs = 0;
        while (true) {
            String asked = rehearsals > 0 ? ASKED.poll(pauseMs, TimeUnit.MILLISECONDS) : ASKED.take();
            if (asked != null) {
                answer(asked);
            } else {
                rehearsals--;
                // At a third of a processor: others work.
                pauseMs = 2 * rehearsed();
            }
        }
    }

    /** Works on a second of made noise, so that what comes first isn't slow; answers how long that took, in ms. */
    private static long rehearsed() {
        long start = System.nanoTime();
        Random random = new Random(1);
        float[] noise = new float[Sound.TAKE_SAMPLE_RATE];
        for (int i = 0; i < noise.length; i++) {
            noise[i] = (float) random.nextGaussian() * 0.05f;
        }
        Sound sound = new Sound(noise, Sound.TAKE_SAMPLE_RATE);
        try {
            Path file = Files.createTempFile("rehearsal", ".flac");
            try {
                SoundWriter.writeFlac(sound, file);
                TakeRenderer.judge(file, WHOLE, Overlap.NONE, true, TakeRenderer.Meanwhile.NOTHING);
                Peaks.magnitudes(sound, Peaks.BUCKET_MS);
            } finally {
                Files.deleteIfExists(file);
            }
        } catch (IOException unable) {
            System.err.println("Nothing could be rehearsed: " + unable.getMessage());
        }
        return (System.nanoTime() - start) / 1_000_000;
    }

    private static void listen() {
        try (BufferedReader in = new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8))) {
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                ASKED.add(line);
            }
        } catch (IOException gone) {
            // The same as the end of it.
        }
        Runtime.getRuntime().halt(0);
    }

    private static void answer(String request) {
        try {
            say("answer " + SoundForms.write(of(SoundForms.read(request, SoundRequest.class))));
        } catch (UnreadableSoundException unreadable) {
            say("refused " + unreadable.reason());
        } catch (OutOfMemoryError heavy) {
            say("heavy");
            Runtime.getRuntime().halt(EXIT_HEAVY);
        } catch (Exception | Error failure) {
            failure.printStackTrace();
            say("failed " + failure.toString().replaceAll("\\s+", " "));
        }
    }

    private static synchronized void say(String what) {
        byte[] line = (what + "\n").getBytes(StandardCharsets.UTF_8);
        said.write(line, 0, line.length);
        said.flush();
    }

    private static Object of(SoundRequest<?> request) throws IOException, UnreadableSoundException {
        if (request instanceof SoundRequest.Microphone asked) {
            return MicrophoneReport.of(
                    SoundReader.decode(asked.file(), asked.longestMs()).sound());
        } else if (request instanceof SoundRequest.Look asked) {
            SoundReader.Decoded looked = SoundReader.decode(asked.file(), asked.lookMs());
            return new Looked(looked.complete() ? looked.sound().durationMs() : Math.max(0, looked.declaredMs()));
        } else if (request instanceof SoundRequest.Judge asked) {
            Overlap overlap = new Overlap(asked.overlapMs(), new KeyHabit(asked.keyOffsMs()), asked.words());
            Kept kept = new Kept(asked.flac(), asked.wave(), asked.waveStepMs());
            return judged(
                    TakeRenderer.judge(asked.file(), asked.longestMs(), overlap, asked.wholeAnyway(), kept),
                    asked.words(),
                    asked.longestMs());
        } else if (request instanceof SoundRequest.Recut asked) {
            Kept kept = new Kept(asked.flac(), asked.wave(), asked.waveStepMs());
            return judged(
                    TakeRenderer.judge(asked.file(), asked.longestMs(), asked.own(), kept),
                    asked.words(),
                    asked.longestMs());
        } else if (request instanceof SoundRequest.Render asked) {
            Levelled heard = TakeRenderer.render(whole(asked.original()), asked.trim(), asked.mp3());
            return new Rendered(
                    heard.sound().durationMs(),
                    heard.gainDb(),
                    heard.loudnessLufs(),
                    Peaks.of(heard.sound()).values());
        } else if (request instanceof SoundRequest.Hear asked) {
            return heard(whole(asked.original()).slice(asked.trim()));
        } else if (request instanceof SoundRequest.RenderEdited asked) {
            Sound original = whole(asked.original());
            PreparedTake made =
                    TakeRenderer.renderEdited(original, asked.edited().plan(original.durationMs()), asked.mp3());
            return made(made, asked.words(), Long.MAX_VALUE);
        } else if (request instanceof SoundRequest.Listen asked) {
            return known(asked);
        } else if (request instanceof SoundRequest.Outline asked) {
            return LongRecording.read(asked.file(), asked.longestMs(), asked.flac(), new Progress()::at);
        } else if (request instanceof SoundRequest.Slices asked) {
            int[] count = new int[1];
            LongRecording.slices(asked.file(), asked.spans(), (index, sound) -> {
                SoundWriter.writeFlac(sound, asked.folder().resolve(Integer.toString(index)));
                count[0]++;
                say("progress " + (double) count[0] / asked.spans().size());
            });
            return new Written(count[0]);
        } else if (request instanceof SoundRequest.Follow asked) {
            return new Followed(WordTimes.of(
                    asked.words(),
                    SoundReader.decode(asked.file(), asked.longestMs()).sound()));
        } else if (request instanceof SoundRequest.Check asked) {
            return new Checked(
                    SoundCheck.check(SoundMeter.measure(whole(asked.original())), asked.words(), asked.longestMs()));
        } else if (request instanceof SoundRequest.Quieter asked) {
            SoundWriter.writeFlac(NoiseReduction.reduce(whole(asked.original())), asked.flac());
            return new Written(1);
        } else if (request instanceof SoundRequest.Noise asked) {
            Sound original = whole(asked.original());
            EditPlan plan = asked.edited().plan(original.durationMs());
            return new NoiseFigures(
                    speechToNoiseDb(plan.applyTo(original)),
                    speechToNoiseDb(plan.applyTo(NoiseReduction.reduce(original))));
        } else if (request instanceof SoundRequest.Wav asked) {
            Sound original = whole(asked.original());
            EditPlan plan = asked.edited().plan(original.durationMs());
            SoundWriter.writeWav(EditedTake.prepare(original, plan).levelled(), asked.wav());
            return new Written(1);
        }
        throw new IllegalArgumentException("Nothing is known of " + request.getClass());
    }

    private static double speechToNoiseDb(Sound sound) {
        return SoundMeter.measure(sound).speechToNoiseDb();
    }

    private static HeardAnswer heard(Sound answer) {
        SoundMeter meter = new SoundMeter(answer.sampleRate(), 1);
        meter.add(new float[][] {answer.samples()}, answer.samples().length);
        Measurement measured = meter.measurement();
        return new HeardAnswer(
                AnswerCheck.of(measured, meter.secondVoice()), PauseSkips.of(measured.durationMs(), measured.speech()));
    }

    /** Keeps a recording and its wave; see {@link SoundRequest.Judge}. */
    private record Kept(Path flac, Path wave, int waveStepMs) implements TakeRenderer.Meanwhile {
        @Override
        public void with(Sound recording) throws IOException {
            SoundWriter.writeFlac(recording, flac);
            Files.write(wave, Peaks.magnitudes(recording, waveStepMs));
        }
    }

    private static Judged judged(TakeRenderer.Judged judged, String words, long longestMs) {
        if (!(judged.judgement() instanceof SpokenPart part)) {
            Refusal refusal = (Refusal) judged.judgement();
            return new Judged(refusal.reason(), null, refusal.durationMs(), judged.truncated(), judged.own());
        }
        Sound recording = judged.recording();
        MadeTake foreseen = new MadeTake(
                part.trim(),
                part.trim().durationMs(),
                part.foreseenGainDb(),
                Leveller.TARGET_LUFS,
                part.foreseenPeaks(recording).values(),
                SoundCheck.check(part.original(), words, longestMs));
        return new Judged(null, foreseen, recording.durationMs(), judged.truncated(), judged.own());
    }

    private static MadeTake made(PreparedTake take, String words, long longestMs) {
        return new MadeTake(
                take.trim(),
                take.levelled().durationMs(),
                take.gainDb(),
                take.loudnessLufs(),
                take.peaks().values(),
                SoundCheck.check(take.original(), words, longestMs));
    }

    private static Known known(SoundRequest.Listen asked) throws IOException, UnreadableSoundException {
        SoundReader.Decoded decoded = SoundReader.decode(asked.original(), asked.longestMs());
        if (!decoded.complete()) {
            throw new UnreadableSoundException(Refusal.Reason.TOO_LONG, null);
        }
        SoundWriter.writeFlac(decoded.sound(), asked.flac());
        Edited edited = asked.edited();
        TakeAnalysis known;
        try {
            known = TakeAnalysis.listen(
                    decoded.sound(),
                    asked.mp3(),
                    asked.isThere(),
                    edited.trim(),
                    edited.edits(),
                    asked.words(),
                    asked.longestMs());
        } catch (IllegalArgumentException nothingLeft) {
            throw new UnreadableSoundException(Refusal.Reason.TOO_SHORT, nothingLeft);
        }
        return new Known(
                known.originalMs(),
                new MadeTake(
                        edited.trim(),
                        known.heard().durationMs(),
                        known.gainDb(),
                        known.loudnessLufs(),
                        known.peaks().values(),
                        known.findings()));
    }

    private static Sound whole(Path file) throws IOException, UnreadableSoundException {
        return SoundReader.decode(file, WHOLE).sound();
    }

    /** Says how far it is, some hundred times in all. */
    private static final class Progress {
        private static final double STEP = 0.002;
        private double said = -1;

        void at(double share) {
            if (share - said >= STEP) {
                said = share;
                say("progress " + share);
            }
        }
    }
}
