package prolalia.app.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.bytedeco.ffmpeg.global.avcodec;
import org.junit.jupiter.api.Test;
import org.springframework.core.io.ClassPathResource;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;

/** What ships is told, with its licence. */
class NoticeTest {
    /** They are on the class path of tests alone. */
    private static final List<String> OF_TESTS = List.of(
            "apiguardian",
            "archunit",
            "assertj",
            "awaitility",
            "axe-core",
            "byte-buddy",
            "deque",
            "gson",
            "hamcrest",
            "java-websocket",
            "zxing/javase",
            "jcommander",
            "jai-imageio",
            "json-",
            "jsonassert",
            "android-json",
            "junit",
            "mockito",
            "objenesis",
            "opentest4j",
            "playwright",
            "selenium",
            "spring-boot-starter-test",
            "spring-boot-test",
            "spring-test",
            "xmlunit",
            "/asm",
            "accessors-smart",
            "/driver",
            "jakarta.xml.bind",
            "jakarta.activation",
            "fasterxml/jackson/core/jackson-core",
            "fasterxml/jackson/core/jackson-databind");

    @Test
    void allLibrariesFontsAndProgramsAreNamedWithTheirLicence() throws IOException {
        String notice = new ClassPathResource("static/assets/NOTICE.txt").getContentAsString(StandardCharsets.UTF_8);
        assertThat(notice).doesNotContainIgnoringCase("unknown license").contains("webm-muxer", "idb ", "Lucide");
        List<String> jars = Stream.of(System.getProperty("java.class.path").split(File.pathSeparator))
                .filter(path -> path.endsWith(".jar") && path.contains(".m2"))
                .toList();
        assertThat(jars).hasSizeGreaterThan(100).allSatisfy(jar -> {
            Path version = Path.of(jar).getParent();
            String artifact = version.getParent().getFileName().toString();
            if (OF_TESTS.stream().noneMatch(jar.toLowerCase(Locale.ROOT)::contains)) {
                assertThat(notice).contains(":" + artifact + ":" + version.getFileName());
            }
        });
        for (String fonts : List.of("static/assets/fonts/*.woff2", "prolalia/formats/paper/fonts/*.ttf")) {
            Resource[] files = new PathMatchingResourcePatternResolver().getResources("classpath*:/" + fonts);
            assertThat(files).isNotEmpty().allSatisfy(font -> {
                String name = font.getFilename().split("-latin|-[A-Z]")[0].replaceAll("(Sans|Serif|Mono)$", "");
                assertThat(notice.toLowerCase(Locale.ROOT).replace(' ', '-')).contains(name.toLowerCase(Locale.ROOT));
            });
        }
        // The build of FFmpeg that ships has no part under the GPL.
        assertThat(avcodec.avcodec_license().getString()).isEqualTo("LGPL version 3 or later");
    }
}
