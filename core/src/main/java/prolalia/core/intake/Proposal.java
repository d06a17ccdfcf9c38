package prolalia.core.intake;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.UnaryOperator;
import prolalia.core.place.Area;
import prolalia.core.place.WordPlaces;

/**
 * The lines that are proposed for a page, while a teacher looks them over. Every change answers a new proposal; one that
 * can't be made is empty.
 *
 * @param lines in reading order
 * @param sounds for each sound of the page the id of the line that it says; null for one that is of no line as yet
 */
public record Proposal(List<ProposedLine> lines, List<String> sounds) {
    /** Text that a line may be given has at most so many characters. */
    public static final int LONGEST_TEXT = 4_000;

    private static final int MOST_LINES = 500;
    private static final double SMALLEST = 0.005;

    /**
     * A line that is proposed.
     *
     * @param id names it on its page
     * @param label the number or letter that stands before it; null: none
     * @param area where it stands; of no size when it stands nowhere, as notes do
     * @param wanted whether it is to become a line of the script
     * @param words where its words were found
     */
    public record ProposedLine(
            String id, FoundKind kind, String label, String text, Area area, boolean wanted, WordPlaces words) {
        public ProposedLine {
            words = words == null ? WordPlaces.NONE : words;
        }

        private ProposedLine with(FoundKind other, boolean isWanted) {
            return new ProposedLine(id, other, label, text, area, isWanted, words);
        }

        private ProposedLine saying(String other) {
            return new ProposedLine(id, kind, label, other, area, wanted, words);
        }

        private ProposedLine at(Area there, WordPlaces itsWords) {
            return new ProposedLine(id, kind, label, text, there, wanted, itsWords);
        }

        public boolean hasPlace() {
            return area.w() > 0 && area.h() > 0;
        }
    }

    public Proposal {
        lines = List.copyOf(lines);
        sounds = sounds == null ? List.of() : Collections.unmodifiableList(new ArrayList<>(sounds));
    }

    /** All that was found, and what its sounds say; one that says words which stand nowhere brings its line with it. */
    public static Proposal of(List<FoundLine> found, List<FoundSound> sounds) {
        Proposal written = of(found);
        List<ProposedLine> lines = new ArrayList<>(written.lines);
        List<SoundsOfLines.Written> places = lines.stream()
                .map(line -> new SoundsOfLines.Written(
                        line.text(),
                        Optional.of(line).filter(ProposedLine::hasPlace).map(ProposedLine::area)))
                .toList();
        List<OptionalInt> pairs = SoundsOfLines.pair(sounds, places);
        List<String> said = new ArrayList<>();
        int insertAt = lines.size();
        for (int i = 0; i < sounds.size(); i++) {
            FoundSound sound = sounds.get(i);
            if (pairs.get(i).isPresent()) {
                said.add(written.lines.get(pairs.get(i).getAsInt()).id());
            } else if (sound.line() != null && lines.size() < MOST_LINES) {
                String id = "s" + (i + 1);
                lines.add(
                        insertAt++,
                        new ProposedLine(
                                id,
                                sound.line().kind(),
                                sound.line().label(),
                                sound.line().words(),
                                sound.area(),
                                true,
                                WordPlaces.NONE));
                said.add(id);
            } else {
                said.add(null);
            }
        }
        return new Proposal(lines, said);
    }

    /** All that was found, wanted where there is something to say; numbers and letters are seen, and needn't be said. */
    public static Proposal of(List<FoundLine> found) {
        List<ProposedLine> lines = new ArrayList<>();
        for (FoundLine line : found.subList(0, Math.min(found.size(), MOST_LINES))) {
            Optional<Marker> marker = marker(line);
            String text = line.text().substring(marker.map(Marker::length).orElse(0));
            lines.add(new ProposedLine(
                    "f" + (lines.size() + 1),
                    line.kind(),
                    marker.filter(Marker::isSaid)
                            .map(mark -> mark.on(line.text()))
                            .orElse(null),
                    text.length() <= LONGEST_TEXT ? text : text.substring(0, LONGEST_TEXT),
                    line.area(),
                    line.kind().becomes().isPresent(),
                    line.words()));
        }
        return new Proposal(lines, List.of());
    }

    private static Optional<Marker> marker(FoundLine line) {
        boolean marked = line.kind() == FoundKind.QUESTION || line.kind() == FoundKind.CHOICE;
        return (marked ? Marker.of(line.text()) : Optional.<Marker>empty())
                .filter(marker -> !line.text().substring(marker.length()).isBlank());
    }

    public List<ProposedLine> wanted() {
        return lines.stream()
                .filter(line -> line.wanted()
                        && line.kind().becomes().isPresent()
                        && !line.text().isBlank())
                .toList();
    }

    public Optional<Proposal> want(String id, boolean wanted) {
        return change(id, line -> line.with(line.kind(), wanted));
    }

    public Optional<Proposal> kind(String id, FoundKind kind) {
        return change(id, line -> line.with(kind, kind.becomes().isPresent()));
    }

    public Optional<Proposal> text(String id, String text) {
        String held = text.replaceAll("\\s+", " ").strip();
        return held.length() > LONGEST_TEXT ? Optional.empty() : change(id, line -> line.saying(held));
    }

    /** Places a line elsewhere; words that stand outside of that aren't its own. */
    public Optional<Proposal> place(String id, Area area) {
        return area.w() < SMALLEST || area.h() < SMALLEST
                ? Optional.empty()
                : change(id, line -> line.at(area.onPage(), line.words().within(area.onPage())));
    }

    /** Joins a line with the one after it. */
    public Optional<Proposal> join(String id) {
        int at = indexOf(id);
        if (at < 0 || at + 1 >= lines.size()) {
            return Optional.empty();
        }
        ProposedLine first = lines.get(at);
        ProposedLine second = lines.get(at + 1);
        String text = (first.text() + " " + second.text()).strip();
        if (text.length() > LONGEST_TEXT) {
            return Optional.empty();
        }
        Area area = !first.hasPlace()
                ? second.area()
                : !second.hasPlace() ? first.area() : first.area().with(second.area());
        List<ProposedLine> joined = new ArrayList<>(lines);
        joined.remove(at + 1);
        joined.set(
                at,
                new ProposedLine(
                        first.id(),
                        first.kind(),
                        first.label(),
                        text,
                        area,
                        first.wanted() || second.wanted(),
                        first.words().and(second.words())));
        List<String> said = new ArrayList<>(sounds);
        said.replaceAll(line -> second.id().equals(line) ? said.contains(first.id()) ? null : first.id() : line);
        return Optional.of(new Proposal(joined, said));
    }

    /**
     * Cuts a line in two before a character. Where it stands is cut likewise: across when it is wide for its height, down
     * when it has several rows.
     *
     * @param aspect width by height of the page
     */
    public Optional<Proposal> split(String id, int before, double aspect, String newId) {
        int at = indexOf(id);
        if (at < 0 || before <= 0 || before >= lines.get(at).text().length() || lines.size() >= MOST_LINES) {
            return Optional.empty();
        }
        ProposedLine line = lines.get(at);
        String first = line.text().substring(0, before).strip();
        String second = line.text().substring(before).strip();
        if (first.isEmpty() || second.isEmpty()) {
            return Optional.empty();
        }
        double share = (double) before / line.text().length();
        Area area = line.area();
        // A letter is about half as wide as its row is high.
        double rows = Math.sqrt(line.text().length() * area.h() / Math.max(1e-6, 2 * area.w() * aspect));
        boolean down = rows >= 1.5;
        Area upper = down
                ? new Area(area.x(), area.y(), area.w(), area.h() * share)
                : new Area(area.x(), area.y(), area.w() * share, area.h());
        Area lower = down
                ? new Area(area.x(), area.y() + area.h() * share, area.w(), area.h() * (1 - share))
                : new Area(area.x() + area.w() * share, area.y(), area.w() * (1 - share), area.h());
        List<ProposedLine> cut = new ArrayList<>(lines);
        List<WordPlaces> words = line.words().sharedOut(List.of(first, second));
        cut.set(
                at,
                new ProposedLine(
                        line.id(),
                        line.kind(),
                        line.label(),
                        first,
                        words.get(0).whole().orElse(upper),
                        line.wanted(),
                        words.get(0)));
        cut.add(
                at + 1,
                new ProposedLine(
                        newId,
                        line.kind(),
                        null,
                        second,
                        words.get(1).whole().orElse(lower),
                        line.wanted(),
                        words.get(1)));
        return Optional.of(new Proposal(cut, sounds));
    }

    /** Adds a line that the teacher drew, where it comes in reading order: after those that begin above it. */
    public Optional<Proposal> draw(String newId, Area area) {
        if (lines.size() >= MOST_LINES || area.w() < SMALLEST || area.h() < SMALLEST) {
            return Optional.empty();
        }
        Area placed = area.onPage();
        int at = 0;
        for (int i = 0; i < lines.size(); i++) {
            if (lines.get(i).hasPlace() && lines.get(i).area().middleY() <= placed.middleY()) {
                at = i + 1;
            }
        }
        List<ProposedLine> drawn = new ArrayList<>(lines);
        drawn.add(at, new ProposedLine(newId, FoundKind.DIRECTION, null, "", placed, true, WordPlaces.NONE));
        return Optional.of(new Proposal(drawn, sounds));
    }

    /** Moves a line one up or down in reading order. */
    public Optional<Proposal> move(String id, int by) {
        int at = indexOf(id);
        int to = at + by;
        if (at < 0 || to < 0 || to >= lines.size()) {
            return Optional.empty();
        }
        List<ProposedLine> moved = new ArrayList<>(lines);
        moved.add(to, moved.remove(at));
        return Optional.of(new Proposal(moved, sounds));
    }

    /**
     * Says which line a sound says; another sound that said it is of no line then.
     *
     * @param sound counts from 0
     * @param id null: of none
     */
    public Optional<Proposal> say(int sound, String id) {
        if (sound < 0 || sound >= sounds.size() || (id != null && indexOf(id) < 0)) {
            return Optional.empty();
        }
        List<String> said = new ArrayList<>(sounds);
        said.replaceAll(line -> line != null && line.equals(id) ? null : line);
        said.set(sound, id);
        return Optional.of(new Proposal(lines, said));
    }

    private Optional<Proposal> change(String id, UnaryOperator<ProposedLine> how) {
        return indexOf(id) < 0
                ? Optional.empty()
                : Optional.of(new Proposal(
                        lines.stream()
                                .map(line -> line.id().equals(id) ? how.apply(line) : line)
                                .toList(),
                        sounds));
    }

    private int indexOf(String id) {
        for (int i = 0; i < lines.size(); i++) {
            if (lines.get(i).id().equals(id)) {
                return i;
            }
        }
        return -1;
    }
}
