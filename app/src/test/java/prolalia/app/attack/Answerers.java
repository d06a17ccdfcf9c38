package prolalia.app.attack;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import prolalia.app.web.Visitor;

/**
 * Children answer while their teacher keeps new takes of the lesson and deletes a child, and then the server is killed: nobody waits
 * for a take, whatever was acknowledged is there, and of the deleted child nothing is.
 */
final class Answerers {
    private static final long LONGEST_MS = 8_000;
    private static final long BEGUN_NS = 30_000_000_000L;

    private Answerers() {}

    static Row run(Target target, int children, int times) throws Exception {
        int lost = 0;
        int acknowledged = 0;
        int left = 0;
        long longest = 0;
        for (int round = 0; round < times; round++) {
            Pupils pupils = Pupils.of(target, "Zqanswer" + round + "x", children);
            List<Visitor> all = new ArrayList<>();
            for (int i = 0; i < children; i++) {
                all.add(pupils.child(i));
            }
            String line = pupils.question();
            byte[] voice =
                    Visitor.class.getResourceAsStream("/demo/bean-1a.ogg").readAllBytes();
            String take = Visitor.first(pupils.teacher().record(line, "again.ogg", voice), "data-take=\"([^\"]+)\"");
            pupils.teacher().form("/takes/" + take + "/keep");
            Map<Integer, Integer> said = new ConcurrentHashMap<>();
            List<Long> took = java.util.Collections.synchronizedList(new ArrayList<>());
            ExecutorService room = Executors.newFixedThreadPool(children);
            for (int i = 1; i < children; i++) {
                int number = i;
                room.execute(() -> {
                    for (int time = 0; time < 200; time++) {
                        long begun = System.nanoTime();
                        try {
                            if (!pupils.answers(all.get(number), "drops " + number + " " + time)) {
                                return;
                            }
                            said.put(number, time);
                            took.add((System.nanoTime() - begun) / 1_000_000);
                        } catch (Exception dead) {
                            return;
                        }
                    }
                });
            }
            // Everybody is at it, and has been told of an answer at least.
            for (long end = System.nanoTime() + BEGUN_NS; said.size() < children - 1 && System.nanoTime() < end; ) {
                Thread.sleep(20);
            }
            String gone = pupils.ids().get(0);
            pupils.teacher()
                    .form(
                            "/classes/" + pupils.schoolClass() + "/students/" + gone + "/delete",
                            "sure",
                            "Zqanswer" + round + "xkid0");
            target.kill();
            room.shutdown();
            room.awaitTermination(60, TimeUnit.SECONDS);
            target.start();
            longest = Math.max(
                    longest, took.stream().mapToLong(Long::longValue).max().orElse(0));
            Visitor ines = target.ines();
            String table = ines.page("/assignments/" + pupils.given() + "/answers.csv");
            acknowledged += said.size();
            for (Map.Entry<Integer, Integer> each : said.entrySet()) {
                Matcher last =
                        Pattern.compile("drops " + each.getKey() + " (\\d+)").matcher(table);
                // A later one may have been taken in, and not acknowledged any more.
                lost += last.find() && Integer.parseInt(last.group(1)) >= each.getValue() ? 0 : 1;
            }
            left += found(target.data, "Zqanswer" + round + "xkid0");
            ines.form("/classes/" + pupils.schoolClass() + "/remove");
        }
        return Row.of(
                "answers",
                acknowledged > 0 && lost == 0 && left == 0 && longest < LONGEST_MS,
                children + " children answer, a take is kept, one is deleted, " + times + " times killed",
                "%d children's last answers acknowledged, %d lost; longest %d ms; the deleted name in %d files",
                acknowledged,
                lost,
                longest,
                left);
    }

    private static int found(Path data, String name) throws Exception {
        int found = 0;
        // What the kill interrupted is finished within seconds of the start.
        for (int time = 0; time < 40; time++) {
            found = 0;
            try (Stream<Path> files = Files.walk(data)) {
                for (Path file : files.filter(Files::isRegularFile).toList()) {
                    found += new String(Files.readAllBytes(file), StandardCharsets.ISO_8859_1).contains(name) ? 1 : 0;
                }
            }
            if (found == 0) {
                return 0;
            }
            Thread.sleep(500);
        }
        return found;
    }
}
