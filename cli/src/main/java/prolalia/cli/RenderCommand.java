package prolalia.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import prolalia.core.sound.Refusal;
import prolalia.media.TakeRenderer;

/** Writes the MP3 that would be kept of a recording. */
@Command(
        name = "render",
        mixinStandardHelpOptions = true,
        description = "Trims and levels a recording and writes the MP3 that would be kept.")
final class RenderCommand implements Callable<Integer> {
    @Parameters(paramLabel = "FILE", description = "A sound or video file.")
    private Path file;

    @Option(
            names = {"-o", "--output"},
            required = true,
            paramLabel = "OUT.mp3",
            description = "Where to write it.")
    private Path output;

    @Option(
            names = "--longest-minutes",
            defaultValue = "10",
            paramLabel = "N",
            description = "The longest recording taken (${DEFAULT-VALUE}).")
    private int longestMinutes;

    @Override
    public Integer call() {
        Path folder = output.toAbsolutePath().getParent();
        Path written = null;
        try {
            // Beside its place, with the usual permissions of a new file.
            written = folder.resolve(
                    "." + output.getFileName() + "." + ProcessHandle.current().pid());
            TakeRenderer.Rendering rendering = TakeRenderer.render(file, longestMinutes * 60_000L, false, written);
            if (rendering.preparation() instanceof Refusal refusal) {
                return failed(FileMessages.of(refusal.reason()));
            }
            Files.move(written, output, StandardCopyOption.REPLACE_EXISTING);
            return 0;
        } catch (IOException | RuntimeException failure) {
            return failed(FileMessages.of(failure));
        } finally {
            discard(written);
        }
    }

    private int failed(String message) {
        System.err.println(file + ": " + message);
        return 1;
    }

    private static void discard(Path written) {
        try {
            if (written != null) {
                Files.deleteIfExists(written);
            }
        } catch (IOException stays) {
            System.err.println(written + ": " + stays.getMessage());
        }
    }
}
