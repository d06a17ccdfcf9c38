package prolalia.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.ResourceBundle;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.context.annotation.ClassPathScanningCandidateComponentProvider;
import org.springframework.core.io.ClassPathResource;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.core.type.filter.AssignableTypeFilter;
import org.springframework.util.ClassUtils;
import prolalia.core.align.FileMatch;
import prolalia.core.align.SplitFinding;
import prolalia.core.finding.CatalogueEntry;
import prolalia.core.script.LessonChange;
import prolalia.core.sound.Refusal;

/** Whatever a catalogue of core can say, the bundle has words for: nobody ever reads a key. */
class CataloguesTest {
    private static final ResourceBundle WORDS = ResourceBundle.getBundle("messages", Locale.ENGLISH);

    private static void said(String key) {
        assertThat(WORDS.containsKey(key)).as(key).isTrue();
        assertThat(WORDS.getString(key)).as(key).isNotBlank();
    }

    static Stream<CatalogueEntry> found() {
        var finder = new ClassPathScanningCandidateComponentProvider(false);
        finder.addIncludeFilter(new AssignableTypeFilter(CatalogueEntry.class));
        return finder.findCandidateComponents("prolalia").stream()
                .map(each -> ClassUtils.resolveClassName(each.getBeanClassName(), null))
                .flatMap(catalogue -> Stream.of(catalogue.getEnumConstants()))
                .map(CatalogueEntry.class::cast)
                // Those of single lines stand at their lines, in other words.
                .filter(entry -> entry != SplitFinding.Kind.NOT_FOUND && entry != SplitFinding.Kind.UNCERTAIN);
    }

    @ParameterizedTest
    @MethodSource("found")
    void whateverIsFoundOrRefused(CatalogueEntry entry) {
        said(entry.messageKey());
        assertThat(entry.severity()).isNotNull();
    }

    @Test
    void allCataloguesAreLookedAt() {
        assertThat(found().map(CatalogueEntry::words).distinct()).hasSizeGreaterThanOrEqualTo(12);
    }

    @ParameterizedTest
    @EnumSource(Refusal.Reason.class)
    void reasonsWhyThereIsNoTake(Refusal.Reason reason) {
        said("refusal.advice." + reason);
        said("split.refusal." + reason);
        said("split.lineRefusal." + reason);
    }

    @ParameterizedTest
    @EnumSource(FileMatch.How.class)
    void whatToldWhereAFileBelongs(FileMatch.How how) {
        said("batch.how." + how);
    }

    @ParameterizedTest
    @EnumSource(LessonChange.Deed.class)
    void deedsThatCanBeUndone(LessonChange.Deed deed) {
        said("deed." + deed);
    }

    @Test
    void whyAnEditIsNotMade() {
        for (String why : new String[] {"EMPTY", "NO_NEXT_LINE", "SENSELESS", "NO_PAUSE"}) {
            said("bench.refused." + why);
        }
    }

    /** Who looks for a word finds it: what begins alike stands together, and each key once. */
    @Test
    void keysStandTogether() throws IOException {
        List<String> keys = new ClassPathResource("messages.properties")
                .getContentAsString(StandardCharsets.UTF_8)
                .lines()
                .filter(line -> !line.isBlank() && !line.startsWith("#"))
                .map(line -> line.substring(0, line.indexOf('=')))
                .toList();
        assertThat(keys).doesNotHaveDuplicates();
        List<String> places = new ArrayList<>();
        keys.stream().map(key -> key.split("\\.")[0]).forEach(place -> {
            if (places.isEmpty() || !places.get(places.size() - 1).equals(place)) {
                places.add(place);
            }
        });
        assertThat(places).doesNotHaveDuplicates();
    }

    /** A colour has a name, which says what it is for; those of a read-aloud book stand in the book. */
    @Test
    void coloursStandInTheLook() throws IOException {
        Pattern literal = Pattern.compile("#[0-9a-fA-F]{3,8}\\b|\\b(?:rgb|hsl)a?\\(");
        List<String> elsewhere = new ArrayList<>();
        for (Resource style :
                new PathMatchingResourcePatternResolver().getResources("classpath*:static/assets/**/*.css")) {
            if (!"look.css".equals(style.getFilename())) {
                literal.matcher(style.getContentAsString(StandardCharsets.UTF_8))
                        .results()
                        .forEach(found -> elsewhere.add(style.getFilename() + " " + found.group()));
            }
        }
        assertThat(elsewhere).isEmpty();
    }
}
