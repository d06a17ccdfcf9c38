package prolalia.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.TimeUnit;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledOnOs;
import org.junit.jupiter.api.condition.OS;
import org.junit.jupiter.api.io.TempDir;

/** The shell script: every command that the README and the docs name, from another folder, on a file with spaces in its name. */
@EnabledOnOs({OS.LINUX, OS.MAC})
class ScriptTest {
    private static final Path HOUSE = Path.of("").toAbsolutePath().getParent();
    private static final Pattern NAMED = Pattern.compile("(?m)\\./prolalia ([a-z]+)");

    @TempDir
    Path folder;

    private Path elsewhere;
    private int exit;

    /** The script in a house that looks built, with a java that runs what was compiled for this test, or only says its arguments. */
    @BeforeEach
    void build() throws IOException {
        Path house = Files.createDirectories(folder.resolve("the house"));
        elsewhere = Files.createDirectories(folder.resolve("else where"));
        Files.copy(HOUSE.resolve("prolalia"), house.resolve("prolalia"));
        for (String made : List.of(
                "pom.xml",
                "core/pom.xml",
                "core/src/main/none",
                "app/target/unpacked/prolalia.jar",
                "cli/target/prolalia-cli.jar",
                "target/built")) {
            Files.createDirectories(house.resolve(made).getParent());
            Files.createFile(house.resolve(made));
        }
        Path tools = Files.createDirectories(folder.resolve("tools"));
        String java = Path.of(System.getProperty("java.home"), "bin", "java").toString();
        tool(tools.resolve("java"), """
                case "$*" in
                  *prolalia.cli.Commands*)
                    while [ "$1" != prolalia.cli.Commands ]; do shift; done
                    exec "%s" -XX:TieredStopAtLevel=1 -XX:+UseSerialGC -cp "$CLASSES" "$@" ;;
                esac
                printf 'java %%s\\n' "$*"
                """.formatted(java));
        tool(tools.resolve("mvn"), "exit 9");
        tool(tools.resolve("keytool"), "while [ $# -gt 1 ]; do [ \"$1\" = -keystore ] && : >\"$2\"; shift; done");
    }

    private static void tool(Path place, String does) throws IOException {
        Files.writeString(place, "#!/bin/sh\n" + does + "\n");
        Files.setPosixFilePermissions(place, PosixFilePermissions.fromString("rwxr-xr-x"));
    }

    private String run(String... arguments) throws Exception {
        List<String> command = new ArrayList<>(
                List.of("bash", folder.resolve("the house/prolalia").toString()));
        command.addAll(List.of(arguments));
        ProcessBuilder builder =
                new ProcessBuilder(command).directory(elsewhere.toFile()).redirectErrorStream(true);
        Map<String, String> environment = builder.environment();
        environment.put("PATH", folder.resolve("tools") + ":" + environment.get("PATH"));
        environment.put("CLASSES", System.getProperty("java.class.path"));
        Process process = builder.start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
        exit = process.exitValue();
        return said;
    }

    private static Set<String> named() throws IOException {
        Set<String> named = new TreeSet<>();
        try (Stream<Path> docs = Files.list(HOUSE.resolve("docs"))) {
            for (Path page : Stream.concat(docs, Stream.of(HOUSE.resolve("README.md")))
                    .filter(Files::isRegularFile)
                    .toList()) {
                NAMED.matcher(Files.readString(page))
                        .results()
                        .map((MatchResult each) -> each.group(1))
                        .forEach(named::add);
            }
        }
        return named;
    }

    @Test
    void everyCommandThatIsDocumentedIsThere() throws Exception {
        Files.writeString(elsewhere.resolve("two words.txt"), "no sound, no paper");
        Set<String> own = Set.of("demo", "serve", "doctor", "password");
        Set<String> built = Set.of("test", "bench", "attack");
        Set<String> named = named();
        assertThat(named).contains("stamp", "sheet", "scan", "statistics", "password");
        for (String command : named) {
            if (built.contains(command)) {
                assertThat(run("help")).contains("./prolalia " + command);
            } else if (own.contains(command)) {
                assertThat(run(command, command.equals("password") ? "ines" : "--data=the data"))
                        .as(command)
                        .contains("java ", "unpacked/prolalia.jar")
                        .doesNotContain("Unknown");
                assertThat(exit).as(command).isZero();
            } else {
                // Each looks at the file and says what it thinks of it, or what else it needs.
                assertThat(run(command, "two words.txt"))
                        .as(command)
                        .containsPattern("two words.txt|Missing required|^\\{\"(?!error\":\"[^\"]*no such)")
                        .doesNotContain("Unknown", "Unmatched", "Exception in");
            }
        }
        assertThat(run("nonsense")).contains("Unknown: nonsense", "./prolalia stamp");
        assertThat(exit).isEqualTo(2);
    }

    @Test
    void servingAnswersBothWaysOnANetworkAndOneWhereThatIsEnough() throws Exception {
        assertThat(run("serve")).contains("--server.port=8443", "--prolalia.plain-port=8080", "certificate.p12");
        assertThat(run("serve", "--port", "80", "--https-port=443"))
                .contains("--server.port=443", "--prolalia.plain-port=80");
        assertThat(run("serve", "--https")).contains("--server.port=8443").doesNotContain("plain-port");
        assertThat(run("serve", "--http")).contains("--server.port=8080").doesNotContain("plain-port", "ssl");
        assertThat(run("demo")).contains("--server.port=8080").doesNotContain("plain-port", "ssl");
        assertThat(run("serve", "--host", "127.0.0.1", "--proxy", "127.0.0.1"))
                .contains("--server.port=8080", "internal-proxies=127\\.0\\.0\\.1")
                .doesNotContain("ssl");
        assertThat(run("serve", "--server.ssl.certificate=file:a.pem"))
                .contains("--server.port=8443", "--prolalia.plain-port=8080")
                .doesNotContain("certificate.p12");
        assertThat(run("serve", "--port", "eighty")).contains("A port is a number");
    }
}
