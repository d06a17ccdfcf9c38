package prolalia.core.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static prolalia.core.sound.Signals.concat;
import static prolalia.core.sound.Signals.mix;
import static prolalia.core.sound.Signals.noise;
import static prolalia.core.sound.Signals.silence;
import static prolalia.core.sound.Signals.sound;
import static prolalia.core.sound.Signals.voice;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import prolalia.core.sound.OverlapTrimmer.OwnPart;

class OverlapTrimmerTest {
    @Test
    void theNeighboursWordsInTheOverlapAreLeftOut() {
        // The line before ends 100 ms into the recording; the next one begins 80 ms before its end.
        float[] recorded = mix(
                concat(voice(-12, 0.1), silence(0.3), voice(-12, 1.12), silence(0.35), voice(-12, 0.08)),
                noise(-60, 2, 8));
        Span own = own(sound(recorded), 300);
        assertThat(own.startMs()).isBetween(100L, 400L);
        assertThat(own.endMs()).isBetween(1_520L, 1_870L);
        assertThat(own(sound(recorded), 0))
                .isEqualTo(new Span(0, sound(recorded).durationMs()));
        float[] alone = concat(silence(0.3), voice(-12, 1.12), silence(0.3));
        Span all = own(sound(alone), 300);
        assertThat(all.startMs()).isLessThanOrEqualTo(200);
        assertThat(all.endMs()).isGreaterThanOrEqualTo(1_520);
    }

    @ParameterizedTest
    @ValueSource(ints = {-400, -200, -100, 0, 100, 200, 400})
    void theCutIsInThePauseHoweverEarlyOrLateTheKeyCame(int offMs) {
        // Two lines with half a second between them; the key is off the end of the first, or the beginning of the
        // second.
        double key = offMs < 0 ? 1.3 + offMs / 1000.0 : offMs > 0 ? 1.8 + offMs / 1000.0 : 1.55;
        float[] said = mix(
                concat(silence(0.2), voice(-12, 1.1), silence(0.5), voice(-14, 1.2), silence(0.5)), noise(-60, 3.5, 8));
        Sound both = sound(said);
        Sound first = both.slice(new Span(0, Math.round(1_000 * (key + 0.7))));
        long from = Math.max(0, Math.round(1_000 * (key - 0.7)));
        Sound second = both.slice(new Span(from, 3_500));
        assertThat(own(first, 700).endMs()).isBetween(1_300L, 1_800L);
        assertThat(from + own(second, 700).startMs()).isBetween(1_300L, 1_800L);
    }

    /** One word between two longer lines; its key comes when it has been said already, that of the next line too. */
    @Test
    void aLineOfOneWordKeepsItsWordHoweverLateItsKeysCome() {
        float[] said = mix(
                concat(
                        silence(0.2),
                        voice(-12, 1.1),
                        silence(0.5),
                        voice(-12, 0.28),
                        silence(0.5),
                        voice(-14, 1.2),
                        silence(0.5)),
                noise(-60, 4.28, 8));
        // The word is said from 1.8 to 2.02 s.
        long from = 2_200 - 700;
        Span own = own(sound(said).slice(new Span(from, 2_980 + 700)), 700);
        assertThat(from + own.startMs()).isBetween(1_300L, 1_800L);
        assertThat(from + own.endMs()).isBetween(2_020L, 2_600L);
    }

    /** The key comes in the pause after the first word of the next line. */
    @Test
    void aSentenceOfOneWordStaysWithItsLineAsItsWordsSay() {
        float[] said = mix(
                concat(
                        silence(0.2),
                        voice(-12, 1.6),
                        silence(0.45),
                        voice(-12, 0.3),
                        silence(0.5),
                        voice(-14, 1.4),
                        silence(0.6)),
                noise(-60, 5.05, 8));
        Sound all = sound(said);
        long key = 2_600;
        Sound first = all.slice(new Span(0, key + 700));
        Sound second = all.slice(new Span(key - 700, 5_050));
        // "Yes" is said from 2.25 to 2.55 s.
        assertThat(own(first, "How many buns can you see?").endMs()).isBetween(1_750L, 2_280L);
        assertThat(key - 700 + own(second, "Yes! The root comes out.").startMs())
                .isBetween(1_750L, 2_280L);
        assertThat(own(first, "Can you see buns? Yes!").endMs()).isBetween(2_500L, 3_100L);
        assertThat(key - 700 + own(second, "The root comes out.").startMs()).isBetween(2_500L, 3_100L);
    }

    private static Span own(Sound recording, String words) {
        return OverlapTrimmer.without(recording, new Overlap(700, KeyHabit.UNKNOWN, words))
                .span();
    }

    @ParameterizedTest
    @ValueSource(ints = {-350, 0, 350})
    void wordsThatAreReadOneByOneLandOnTheirLinesByTheReadersHabit(int offMs) {
        double[] lengths = {1.1, 1.3, 1.2, 0.34, 0.3, 0.32, 0.3, 0.36, 1.1};
        double pause = 0.6;
        float[] session = silence(0.5);
        double[] starts = new double[lengths.length];
        for (int line = 0; line < lengths.length; line++) {
            starts[line] = session.length / (double) Signals.RATE;
            session = concat(session, voice(-12 - line % 3, lengths[line]), silence(pause));
        }
        Sound all = sound(mix(session, noise(-60, session.length / (double) Signals.RATE, 8)));
        double[] keys = new double[lengths.length + 1];
        keys[0] = 0.3;
        keys[lengths.length] = all.durationMs() / 1000.0;
        for (int line = 1; line < lengths.length; line++) {
            keys[line] = offMs < 0
                    ? starts[line] - pause + offMs / 1000.0
                    : offMs > 0 ? starts[line] + offMs / 1000.0 : starts[line] - pause / 2;
        }
        KeyHabit habit = KeyHabit.UNKNOWN;
        for (int line = 0; line < lengths.length; line++) {
            long from = Math.max(0, Math.round(1_000 * (keys[line] - 0.7)));
            long to = Math.min(all.durationMs(), Math.round(1_000 * (keys[line + 1] + 0.7)));
            OwnPart own = OverlapTrimmer.without(all.slice(new Span(from, to)), new Overlap(700, habit, ""));
            habit = habit.with(new KeyHabit(own.offsMs()));
            double start = (from + own.span().startMs()) / 1000.0;
            double end = (from + own.span().endMs()) / 1000.0;
            assertThat(start)
                    .as("beginning of line %d", line)
                    .isBetween(line == 0 ? 0 : starts[line] - pause - 0.04, starts[line] + 0.02);
            assertThat(end)
                    .as("end of line %d", line)
                    .isBetween(starts[line] + lengths[line] - 0.1, starts[line] + lengths[line] + pause + 0.04);
        }
    }

    private static Span own(Sound recording, int overlapMs) {
        return OverlapTrimmer.without(recording, new Overlap(overlapMs, KeyHabit.UNKNOWN, ""))
                .span();
    }
}
