package prolalia.core.sound;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import prolalia.core.sound.TakeCuts.Cut;

/**
 * The cuts of a whole reading, line after line. What one take has too much its neighbour has too little: a pause is cut where it
 * fits the words of both lines and the reader's keys, those that came later too. Of all ways to cut it, the best is found by
 * dynamic programming from pause to pause (Bellman 1957, as in Viterbi 1967).
 */
public final class ReadingCuts {
    /** The same pause as two takes see it; what each knows of the noise makes it longer or shorter. */
    private static final long SAME_MS = 250;

    private ReadingCuts() {}

    /** One place in two takes: the number of the end in the one before, and of the start in the one after; -1: there is none. */
    private record Place(int end, int start, double score) {}

    /**
     * What of each take is its line's.
     *
     * @param takes one after another, each begun by the key that ended the one before it; at least one
     * @return as many; empty where nothing fits
     */
    public static List<Optional<Span>> of(List<TakeCuts> takes) {
        int count = takes.size();
        List<Optional<Cut>> plain =
                takes.stream().map(take -> TakeCuts.plain(take.starts())).toList();
        List<List<Place>> pauses = IntStream.rangeClosed(0, count)
                .mapToObj(i -> places(takes, plain, i))
                .toList();
        double[][] best = new double[count + 1][];
        int[][] from = new int[count + 1][];
        for (int i = 0; i <= count; i++) {
            List<Place> here = pauses.get(i);
            best[i] = here.stream().mapToDouble(Place::score).toArray();
            from[i] = new int[here.size()];
            for (int k = 0; i > 0 && k < here.size(); k++) {
                double most = Double.NEGATIVE_INFINITY;
                for (int before = 0; before < best[i - 1].length; before++) {
                    double score = best[i - 1][before]
                            - takes.get(i - 1)
                                    .unlikeMs(
                                            pauses.get(i - 1).get(before).start(),
                                            here.get(k).end());
                    if (score > most) {
                        most = score;
                        from[i][k] = before;
                    }
                }
                best[i][k] += most;
            }
        }
        return spans(takes, pauses, path(best, from));
    }

    private static int[] path(double[][] best, int[][] from) {
        int last = best.length - 1;
        int[] path = new int[best.length];
        path[last] = IntStream.range(0, best[last].length)
                .boxed()
                .max(Comparator.comparingDouble(k -> best[last][k]))
                .orElseThrow();
        for (int i = last; i > 0; i--) {
            path[i - 1] = from[i][path[i]];
        }
        return path;
    }

    private static List<Optional<Span>> spans(List<TakeCuts> takes, List<List<Place>> pauses, int[] path) {
        List<Optional<Span>> spans = new ArrayList<>();
        for (int i = 0; i < takes.size(); i++) {
            int start = pauses.get(i).get(path[i]).start();
            int end = pauses.get(i + 1).get(path[i + 1]).end();
            long fromMs = takes.get(i).starts().get(start).atMs();
            long toMs = takes.get(i).ends().get(end).atMs();
            boolean fits = fromMs < toMs && takes.get(i).unlikeMs(start, end) < TakeCuts.NOTHING_SAID;
            spans.add(fits ? Optional.of(new Span(fromMs, toMs)) : Optional.empty());
        }
        return spans;
    }

    /** Where a pause may be cut, which is before a take, and after the one before that. */
    private static List<Place> places(List<TakeCuts> takes, List<Optional<Cut>> plain, int pause) {
        if (pause == 0) {
            List<Cut> starts = takes.get(0).starts();
            return IntStream.range(0, starts.size())
                    .mapToObj(i -> new Place(-1, i, starts.get(i).score(KeyHabit.UNKNOWN)))
                    .toList();
        }
        List<Cut> ends = takes.get(pause - 1).ends();
        if (pause == takes.size()) {
            return IntStream.range(0, ends.size())
                    .mapToObj(i -> new Place(i, -1, ends.get(i).score(KeyHabit.UNKNOWN)))
                    .toList();
        }
        List<Cut> starts = takes.get(pause).starts();
        KeyHabit habit = habitAbout(plain, pause);
        List<Place> same = places(ends, starts, habit, true);
        return same.isEmpty() ? places(ends, starts, habit, false) : same;
    }

    private static List<Place> places(List<Cut> ends, List<Cut> starts, KeyHabit habit, boolean same) {
        List<Place> places = new ArrayList<>();
        for (int i = 0; i < ends.size(); i++) {
            for (int j = 0; j < starts.size(); j++) {
                if (!same || areNearest(ends, starts, i, j)) {
                    double score = (ends.get(i).score(habit) + starts.get(j).score(habit)) / 2;
                    places.add(new Place(i, j, score));
                }
            }
        }
        return places;
    }

    /** Whether they are near each other, and neither is as near to another one. */
    private static boolean areNearest(List<Cut> ends, List<Cut> starts, int end, int start) {
        long apart = apartMs(ends.get(end), starts.get(start));
        return apart <= SAME_MS
                && IntStream.range(0, starts.size())
                        .allMatch(i -> i == start || apartMs(ends.get(end), starts.get(i)) > apart)
                && IntStream.range(0, ends.size())
                        .allMatch(i -> i == end || apartMs(ends.get(i), starts.get(start)) > apart);
    }

    private static long apartMs(Cut end, Cut start) {
        return Math.abs(end.fromKeyMs() - start.fromKeyMs());
    }

    /** What the keys next to this one say of the reader. @param plain of each take's beginning, from the second on */
    private static KeyHabit habitAbout(List<Optional<Cut>> plain, int pause) {
        List<Long> offsMs = new ArrayList<>();
        for (int far = 0; far < plain.size() && offsMs.size() < KeyHabit.REMEMBERED; far++) {
            int before = pause - far;
            int after = pause + far;
            if (before > 0) {
                plain.get(before).ifPresent(cut -> offsMs.add(cut.offMs()));
            }
            if (far > 0 && after < plain.size()) {
                plain.get(after).ifPresent(cut -> offsMs.add(cut.offMs()));
            }
        }
        return new KeyHabit(offsMs.subList(0, Math.min(offsMs.size(), KeyHabit.REMEMBERED)));
    }
}
