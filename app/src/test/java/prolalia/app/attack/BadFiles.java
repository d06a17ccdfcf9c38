package prolalia.app.attack;

import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.UUID;
import prolalia.app.web.RunningHouse;
import prolalia.app.web.Visitor;

/** Files of every kind with some of their bytes changed, by every way in; the server must live, and answer in words. */
final class BadFiles {
    private static final List<String> SEEDS = List.of("bean-1a.ogg", "bean-2c.ogg", "bean.pptx", "bakery.pdf");

    private BadFiles() {}

    static Row run(Target target, int files) throws Exception {
        Random random = new Random(3);
        Visitor ines = target.ines();
        String line = ines.newLine("the root");
        String lesson = ines.lessonOf(line);
        byte[] archive = ines.get("/lessons/" + lesson + "/lesson.zip").body();
        Map<String, byte[]> seeds = new LinkedHashMap<>();
        for (String name : SEEDS) {
            try (InputStream in = RunningHouse.class.getResourceAsStream("/demo/" + name)) {
                seeds.put(name, in.readAllBytes());
            }
        }
        seeds.put("lesson.zip", archive);
        seeds.put("1Hz.wav", wav(1, 1));
        seeds.put("2GHz.wav", wav(2_000_000_000, 1));
        seeds.put("200channels.wav", wav(48_000, 200));
        Map<Integer, Integer> statuses = new TreeMap<>();
        long longest = 0;
        int at = 0;
        for (int i = 0; i < files; i++) {
            String name = List.copyOf(seeds.keySet()).get(at++ % seeds.size());
            byte[] content = i < seeds.size() ? seeds.get(name) : changed(seeds.get(name), random);
            long begun = System.nanoTime();
            int status = send(ines, name, content, line, lesson, i);
            longest = Math.max(longest, (System.nanoTime() - begun) / 1_000_000);
            statuses.merge(status, 1, Integer::sum);
        }
        int failures = statuses.entrySet().stream()
                .filter(each -> each.getKey() >= 500)
                .mapToInt(Map.Entry::getValue)
                .sum();
        boolean reads = ines.page("/lessons/" + lesson).contains("the root");
        return Row.of(
                "bad files",
                target.isAlive() && failures == 0 && reads,
                files + " changed files by recorder, microphone, papers, long recordings, archives",
                "answers %s, longest %d ms, server and programs %d MB",
                statuses,
                longest,
                target.memoryMb());
    }

    private static int send(Visitor ines, String name, byte[] content, String line, String lesson, int number)
            throws Exception {
        String id = UUID.randomUUID().toString();
        String raw = "application/octet-stream";
        String way = name.endsWith(".zip")
                ? "/bring-in-lesson"
                : switch (number % 4) {
                    case 0 -> "/recordings/" + id + "/file?line=" + line + "&name=" + name;
                    case 1 -> "/lessons/" + lesson + "/papers/" + id + "?name=" + name;
                    case 2 -> "/lessons/" + lesson + "/long-recordings/" + id + "?name=" + name;
                    default -> "/lessons/" + lesson + "/batches/" + id + "/files/0?name=" + name;
                };
        return ines.send("PUT", way, raw, content).statusCode();
    }

    private static byte[] changed(byte[] seed, Random random) {
        byte[] changed = seed.clone();
        for (int i = 0; i < 1 + random.nextInt(20); i++) {
            // Heads are where sizes stand.
            int reach = random.nextBoolean() ? Math.min(200, changed.length) : changed.length;
            changed[random.nextInt(reach)] = (byte) random.nextInt(256);
        }
        return random.nextInt(4) == 0 ? java.util.Arrays.copyOf(changed, random.nextInt(changed.length)) : changed;
    }

    private static byte[] wav(int rate, int channels) {
        java.nio.ByteBuffer head = java.nio.ByteBuffer.allocate(44 + 9_600).order(java.nio.ByteOrder.LITTLE_ENDIAN);
        head.put("RIFF".getBytes(StandardCharsets.US_ASCII)).putInt(36 + 9_600);
        head.put("WAVEfmt ".getBytes(StandardCharsets.US_ASCII)).putInt(16).putShort((short) 1);
        head.putShort((short) channels)
                .putInt(rate)
                .putInt(rate * 2)
                .putShort((short) 2)
                .putShort((short) 16);
        head.put("data".getBytes(StandardCharsets.US_ASCII)).putInt(9_600);
        new Random(1).ints(9_600).forEach(value -> {
            if (head.hasRemaining()) {
                head.put((byte) value);
            }
        });
        return head.array();
    }
}
