package prolalia.cli;

import java.io.IOException;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;
import prolalia.core.sound.Measurement;
import prolalia.core.sound.Span;
import prolalia.media.SoundReader;
import prolalia.media.UnreadableSoundException;
import tools.jackson.databind.json.JsonMapper;

/** Measures files as they are and prints a JSON array, one object a file. */
@Command(
        name = "measure",
        mixinStandardHelpOptions = true,
        description = {
            "Prints what each file measures as JSON: loudness (ITU-R BS.1770-5), true peak, noise floor, speech.",
            "Exit code 1 when a file can't be read; its object then has an \"error\"."
        })
final class MeasureCommand implements Callable<Integer> {
    private static final double LOWEST_LEVEL_DB = -120;

    @Parameters(paramLabel = "FILE", arity = "1..*", description = "Sound or video files.")
    private List<Path> files;

    @Override
    public Integer call() {
        List<Map<String, Object>> results = new ArrayList<>();
        boolean allRead = true;
        for (Path file : files) {
            Map<String, Object> result = new LinkedHashMap<>();
            result.put("file", file.toString());
            try {
                put(SoundReader.measure(file), result);
            } catch (UnreadableSoundException unreadable) {
                result.put("error", FileMessages.of(unreadable.reason()));
                allRead = false;
            } catch (IOException | RuntimeException failure) {
                result.put("error", FileMessages.of(failure));
                allRead = false;
            }
            results.add(result);
        }
        System.out.println(JsonMapper.shared().writerWithDefaultPrettyPrinter().writeValueAsString(results));
        return allRead ? 0 : 1;
    }

    private static void put(SoundReader.Measured measured, Map<String, Object> result) {
        Measurement m = measured.measurement();
        result.put("seconds", rounded(m.durationMs() / 1000.0, 3));
        result.put("channels", measured.channels());
        result.put("sampleRate", measured.sampleRate());
        result.put("integratedLufs", rounded(m.integratedLufs(), 2));
        result.put("truePeakDbtp", rounded(m.truePeakDbtp(), 2));
        result.put("noiseFloorDbfs", rounded(m.noiseFloorDbfs(), 2));
        result.put("clippedSamples", m.clippedSamples());
        List<Map<String, Long>> speech = new ArrayList<>();
        for (Span span : m.speech()) {
            Map<String, Long> stretch = new LinkedHashMap<>();
            stretch.put("startMs", span.startMs());
            stretch.put("endMs", span.endMs());
            speech.add(stretch);
        }
        result.put("speech", speech);
    }

    /** JSON has no infinity: digital silence reads the lowest level there is. */
    private static BigDecimal rounded(double value, int places) {
        return BigDecimal.valueOf(Math.max(LOWEST_LEVEL_DB, value)).setScale(places, RoundingMode.HALF_UP);
    }
}
