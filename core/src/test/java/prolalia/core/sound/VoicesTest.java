package prolalia.core.sound;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class VoicesTest {
    private static final float[] PAUSE = Signals.silence(0.8);

    /** Lines read one after another, each at its pitch in Hz; the room's hiss is under all of it. */
    private static Optional<Span> second(double... pitches) {
        float[] all = Signals.silence(0.5);
        for (double pitch : pitches) {
            all = Signals.concat(all, Signals.voice(pitch, -12, 1.6), PAUSE);
        }
        float[] heard = Signals.mix(all, Signals.noise(-70, all.length / (double) Signals.RATE, 3));
        SpeechFrames frames = new SpeechFrames(Signals.RATE);
        frames.add(heard, heard.length);
        return Voices.second(frames, SpeechDetector.pieces(frames));
    }

    @Test
    void oneReaderIsOneVoiceHoweverHighHerQuestionsAre() {
        assertThat(second(200, 210, 190, 222, 200, 190, 210, 200)).isEmpty();
        assertThat(second(121, 118, 125)).isEmpty();
    }

    @Test
    void aSecondReaderIsHeardFromHisFirstWordToHisLast() {
        Span place = second(210, 200, 210, 111, 114, 108, 210, 200).orElseThrow();
        // The fourth line begins after three times 2.4 s and half a second.
        assertThat(place.startMs()).isBetween(7_500L, 7_900L);
        assertThat(place.endMs()).isBetween(14_000L, 14_700L);
    }

    @Test
    void nothingSaidHasNoVoice() {
        SpeechFrames frames = new SpeechFrames(Signals.RATE);
        frames.add(Signals.silence(2), 2 * Signals.RATE);
        assertThat(Voices.second(frames, List.of())).isEmpty();
    }
}
