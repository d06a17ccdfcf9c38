package prolalia.core.sound;

import java.util.ArrayList;
import java.util.List;
import prolalia.core.lesson.SpokenWords;
import prolalia.core.script.Syllables;
import prolalia.core.sound.Finding.Kind;

/**
 * Looks a recording over before a student hears it.
 *
 * <pre>{@code
 * List<Finding> findings = SoundCheck.check(SoundMeter.measure(recording), "the root", 600_000);
 * }</pre>
 *
 * <p>Stateless and thread-safe. All thresholds stand here, with their reasons.
 */
public final class SoundCheck {
    /** Levelling would have to raise it by more than 20 dB, and the room with it. A voice at an arm's length is louder. */
    static final double QUIET_LUFS = -40;

    /** Under 15 dB of speech to noise children of 7 understand measurably less (ANSI/ASA S12.60 asks for 15 dB). */
    static final double NOISY_DB = 15;

    /** A word that begins with the recording itself at this level, against all speech, had begun before it. */
    static final double CUT_OFF_DB = -16;

    /** Speech this close to an end of the recording touches it. */
    static final long TOUCHES_MS = 40;

    /** Longer than any pause for thought; a child takes it for the end. */
    static final long GAP_MS = 2_000;

    /** Reading aloud to learners runs at 3 to 4 syllables a second; over 5, young children lose words. */
    static final double FAST_SYLLABLES = 5;

    /** In long words the third syllable, and each after it, is said so much more quickly than a word of one syllable. */
    static final double LATER_SYLLABLE = 0.5;

    static final int USUAL_SYLLABLES = 2;

    static final int LONGEST_WORD = 6;

    /** Nobody speaks clearly at this pace, so some of the words were left out. */
    static final double IMPOSSIBLE_SYLLABLES = 7.5;

    /** Even word by word, reading runs faster than this. */
    static final double SLOW_SYLLABLES = 1.4;

    /** So slow that something else was said besides the words. */
    static final double MUCH_SLOWER_SYLLABLES = 0.7;

    /** One or two syllables are said at any pace ("no!", "weeeell"). */
    static final int FEWEST_SYLLABLES = 3;

    private SoundCheck() {}

    /**
     * @param words that should be said; empty when they aren't known, and then their pace isn't judged
     * @param longestMs the school's longest recording
     * @return in the order of the catalogue; empty when all is well
     */
    public static List<Finding> check(Measurement measured, String words, long longestMs) {
        List<Finding> findings = new ArrayList<>();
        Span all = new Span(0, measured.durationMs());
        if (measured.speech().isEmpty()) {
            findings.add(new Finding(Kind.NOTHING_SAID, all));
        } else {
            ends(measured, findings);
            pace(measured, words, findings);
            level(measured, findings);
            gaps(measured, findings);
        }
        measured.clipped().ifPresent(place -> findings.add(new Finding(Kind.CLIPPED, place)));
        if (measured.durationMs() > longestMs) {
            findings.add(new Finding(Kind.TOO_LONG, all));
        }
        findings.sort(java.util.Comparator.comparing(Finding::kind));
        return List.copyOf(findings);
    }

    private static void ends(Measurement measured, List<Finding> findings) {
        Span spoken = measured.spoken();
        long endMs = measured.durationMs();
        if (spoken.startMs() <= TOUCHES_MS && measured.startDbfs() - measured.speechDbfs() > CUT_OFF_DB) {
            findings.add(new Finding(Kind.CUT_OFF_START, new Span(0, Math.min(endMs, TOUCHES_MS))));
        }
        if (spoken.endMs() >= endMs - TOUCHES_MS && measured.endDbfs() - measured.speechDbfs() > CUT_OFF_DB) {
            findings.add(new Finding(Kind.CUT_OFF_END, new Span(Math.max(0, endMs - TOUCHES_MS), endMs)));
        }
    }

    private static void pace(Measurement measured, String words, List<Finding> findings) {
        int syllables = Syllables.of(words);
        if (syllables < FEWEST_SYLLABLES) {
            return;
        }
        double perSecond = syllables * 1000.0 / Math.max(1, measured.speechMs());
        Kind kind = null;
        if (perSecond > IMPOSSIBLE_SYLLABLES) {
            kind = Kind.MUCH_SHORTER;
        } else if (beats(words) * 1000 / Math.max(1, measured.speechMs()) > FAST_SYLLABLES) {
            kind = Kind.TOO_FAST;
        } else if (perSecond < MUCH_SLOWER_SYLLABLES) {
            kind = Kind.MUCH_LONGER;
        } else if (perSecond < SLOW_SYLLABLES) {
            kind = Kind.TOO_SLOW;
        }
        if (kind != null) {
            findings.add(new Finding(kind, measured.spoken()));
        }
    }

    /** How many syllables of words of one syllable would take as long. */
    private static double beats(String words) {
        return SpokenWords.of(words).stream()
                .mapToInt(Syllables::of)
                .filter(syllables -> syllables > 0)
                .mapToDouble(syllables -> {
                    // Where nothing stands between words, what counts as one is a sentence.
                    int later = Math.max(0, Math.min(LONGEST_WORD, syllables) - USUAL_SYLLABLES);
                    return syllables - later + LATER_SYLLABLE * later;
                })
                .sum();
    }

    private static void level(Measurement measured, List<Finding> findings) {
        if (measured.integratedLufs() < QUIET_LUFS) {
            findings.add(new Finding(Kind.TOO_QUIET, measured.spoken()));
        }
        if (measured.speechToNoiseDb() < NOISY_DB) {
            findings.add(new Finding(Kind.NOISY, new Span(0, measured.durationMs())));
        }
    }

    private static void gaps(Measurement measured, List<Finding> findings) {
        List<Span> speech = measured.speech();
        for (int i = 1; i < speech.size(); i++) {
            Span gap = new Span(speech.get(i - 1).endMs(), speech.get(i).startMs());
            if (gap.durationMs() > GAP_MS) {
                findings.add(new Finding(Kind.LONG_GAP, gap));
            }
        }
    }
}
