package prolalia.core.classroom;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import prolalia.core.lesson.Line;
import prolalia.core.lesson.LineKind;
import prolalia.core.lesson.LineTraits;
import prolalia.core.page.PageElement;
import prolalia.core.page.PageSettings;
import prolalia.core.page.Placed;
import prolalia.core.page.PlayRule;
import prolalia.core.place.Area;
import prolalia.core.published.PublishedLesson;
import prolalia.core.published.PublishedLesson.PublishedLine;
import prolalia.core.published.PublishedLesson.PublishedPage;

/** How a child is told from others, how she comes in, and what she hears. */
class StudentTest {
    private static final Random RANDOM = new Random(7);

    @Test
    void aKeyIsThreeDifferentPicturesInOrder() {
        Set<String> keys = new HashSet<>();
        for (int i = 0; i < 500; i++) {
            PictureKey key = PictureKey.byChance(RANDOM);
            assertThat(PictureKey.read(key.written())).contains(key);
            keys.add(key.written());
        }
        assertThat(keys).hasSizeGreaterThan(450);
        for (String none :
                List.of("", "SUN", "SUN MOON", "SUN SUN MOON", "SUN MOON STAR BELL", "sun moon star", "A B C")) {
            assertThat(PictureKey.read(none)).as(none).isEmpty();
        }
    }

    @Test
    void noTwoChildrenOfAClassHaveTheSamePicture() {
        Set<Animals.Picture> taken = new HashSet<>();
        Set<Animal> first = new HashSet<>();
        int pictures = Animal.values().length * Animal.Tint.values().length;
        for (int i = 0; i < pictures; i++) {
            Animals.Picture picture = Animals.another(taken, RANDOM);
            assertThat(taken.add(picture)).isTrue();
            if (i < Animal.values().length) {
                assertThat(first.add(picture.animal()))
                        .as("every animal once before one is there twice")
                        .isTrue();
            }
        }
        assertThat(Animals.another(taken, RANDOM)).as("in the hundredth child").isNotNull();
    }

    @Test
    void namesArePastedAsTheyCome() {
        assertThat(Names.list("1. Mara  Lind\r\n- Ole\u00a0Petersen\n\n\u2028\n• \u202eליאור\u202c\nJo\u0308rg"))
                .containsExactly("Mara Lind", "Ole Petersen", "ליאור", "Jörg");
        assertThat(Names.tidy("😀".repeat(150))).hasSize(200);
        assertThat(Names.tidy("a" + "😀".repeat(150)).length())
                .as("no half of a pair")
                .isEqualTo(199);
        assertThat(Names.likeness("Groß, Jörg")).isEqualTo(Names.likeness("jorg GROSS"));
    }

    private static PublishedLine line(String id, LineKind kind) {
        return new PublishedLine(new Line(id, LineTraits.of(kind), id, java.util.Optional.empty()), "hash" + id, null);
    }

    private static PublishedLesson lesson() {
        PlayRule arrival = new PlayRule(PlayRule.Start.ARRIVAL, null, null, null, 2, null);
        PageElement.Spot spot = new PageElement.Spot("s", new Area(0, 0, 0.1, 0.1), "q", true).under(arrival);
        Placed placed = new Placed(List.of(spot), new PageSettings(arrival, false, Map.of()));
        return new PublishedLesson(
                "Beans",
                List.of(
                        new PublishedPage(
                                "1", null, List.of(line("p", LineKind.PASSAGE), line("q", LineKind.QUESTION)), placed),
                        new PublishedPage("2", null, List.of(line("n", LineKind.PASSAGE)), Placed.NOTHING)),
                Placed.NOTHING,
                Map.of());
    }

    private static List<String> heard(Accommodation accommodation) {
        return accommodation
                .of(lesson())
                .lines()
                .filter(PublishedLine::isHeard)
                .map(line -> line.line().id())
                .toList();
    }

    @Test
    void whatAChildHearsFollowsFromWhatIsDifferentForHer() {
        assertThat(heard(Accommodation.NONE)).containsExactly("p", "q", "n");
        assertThat(heard(new Accommodation(
                        Accommodation.Hears.QUESTIONS, 100, Accommodation.Words.AS_GIVEN, false, false, 0)))
                .containsExactly("q");
        assertThat(heard(new Accommodation(
                        Accommodation.Hears.NOTHING, 100, Accommodation.Words.AS_GIVEN, false, false, 0)))
                .isEmpty();
        PublishedLesson met = new Accommodation(
                        Accommodation.Hears.ON_REQUEST, 20, Accommodation.Words.HIDDEN, false, true, 9)
                .of(lesson());
        Placed placed = met.pages().get(0).placed();
        PlayRule ofSpot = ((PageElement.Spot) placed.things().get(0)).rule();
        assertThat(List.of(ofSpot, placed.manner().rule())).allSatisfy(rule -> {
            assertThat(rule.start()).isEqualTo(PlayRule.Start.PRESS);
            assertThat(rule.most()).isEqualTo(PlayRule.AS_OFTEN_AS_WANTED);
        });
        assertThat(met.settings().wordsHidden()).isTrue();
    }

    @Test
    void howFarSheCameIsOfWhatSheIsToHear() {
        PublishedLesson all = lesson();
        assertThat(Progress.of(all, List.of("p", "gone"), true, 5, false).share())
                .isEqualTo(1.0 / 3);
        assertThat(Progress.of(all.onlyPages(List.of("1")), List.of("p", "q"), true, 5, false)
                        .isDone())
                .isTrue();
        assertThat(Progress.of(all, List.of(), false, 0, false).isDone()).isFalse();
        Accommodation silent =
                new Accommodation(Accommodation.Hears.NOTHING, 100, Accommodation.Words.SHOWN, false, false, 0);
        assertThat(Progress.of(silent.of(all), List.of(), true, 5, false).isDone())
                .as("whoever hears nothing is done when she opened it")
                .isTrue();
    }

    @Test
    void whatEndsStaysOpenForWhoHasMoreTime() {
        Accommodation slow =
                new Accommodation(Accommodation.Hears.EVERYTHING, 100, Accommodation.Words.AS_GIVEN, true, false, 0);
        Due due = new Due(100L, 200L);
        assertThat(IntStream.of(99, 100, 199, 200)
                        .mapToObj(now -> due.isThere(now, Accommodation.NONE, ZoneOffset.UTC)))
                .containsExactly(false, true, true, false);
        assertThat(due.isThere(200 + 6 * 86_400_000L, slow, ZoneOffset.UTC)).isTrue();
        assertThat(due.isThere(200 + 8 * 86_400_000L, slow, ZoneOffset.UTC)).isFalse();
        assertThat(Due.ALWAYS.isThere(0, Accommodation.NONE, ZoneOffset.UTC)).isTrue();
        // A week longer is until the same time of day, when summer time begins or ends in between, too.
        ZoneId vienna = ZoneId.of("Europe/Vienna");
        for (String end : new String[] {"2026-03-25T18:00", "2026-10-21T18:00", "2026-06-10T18:00"}) {
            ZonedDateTime ends = LocalDateTime.parse(end).atZone(vienna);
            Due then = new Due(null, ends.toInstant().toEpochMilli());
            long last = ends.plusDays(7).minusMinutes(1).toInstant().toEpochMilli();
            assertThat(then.isThere(last, slow, vienna)).as(end).isTrue();
            assertThat(then.isThere(last + 120_000, slow, vienna)).as(end).isFalse();
        }
    }
}
