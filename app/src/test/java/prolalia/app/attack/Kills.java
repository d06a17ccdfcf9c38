package prolalia.app.attack;

import java.io.ByteArrayOutputStream;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import prolalia.app.web.Visitor;

/** The server is killed while chunks come in; whatever was acknowledged must be in the recording that is put together. */
final class Kills {
    private static final int CHUNK_BYTES = 24_000;

    private static final long BEGUN_NS = 30_000_000_000L;

    private Kills() {}

    static Row run(Target target, int times) throws Exception {
        Random random = new Random(12);
        int lost = 0;
        int outlived = 0;
        long acknowledged = 0;
        for (int round = 0; round < times; round++) {
            Visitor ines = target.ines();
            String line = ines.newLine("The rain wakes the bean.");
            String id = UUID.randomUUID().toString();
            ByteArrayOutputStream sent = new ByteArrayOutputStream();
            int[] stored = new int[1];
            CompletableFuture<Void> sending = CompletableFuture.runAsync(() -> {
                for (int number = 0; number < 400; number++) {
                    byte[] chunk = new byte[CHUNK_BYTES];
                    random.nextBytes(chunk);
                    try {
                        int status = ines.send(
                                        "PUT",
                                        "/recordings/" + id + "/chunks/" + number + "?line=" + line,
                                        "audio/wav",
                                        chunk)
                                .statusCode();
                        if (status != 200) {
                            return;
                        }
                    } catch (Exception dead) {
                        return;
                    }
                    sent.writeBytes(chunk);
                    stored[0]++;
                }
            });
            for (long end = System.nanoTime() + BEGUN_NS;
                    stored[0] == 0 && !sending.isDone() && System.nanoTime() < end; ) {
                Thread.sleep(10);
            }
            Thread.sleep(random.nextInt(600));
            var programs = target.programs();
            target.kill();
            sending.get(30, TimeUnit.SECONDS);
            for (ProcessHandle program : programs) {
                try {
                    program.onExit().get(5, TimeUnit.SECONDS);
                } catch (java.util.concurrent.TimeoutException stillThere) {
                    outlived++;
                }
            }
            target.start();
            acknowledged += sent.size();
            if (stored[0] > 0) {
                // It is noise, and refused as such; its sound is kept.
                ines.form("/recordings/" + id + "/end", "chunks", Integer.toString(stored[0]));
                byte[] kept = ines.get("/recordings/" + id + "/raw").body();
                byte[] all = sent.toByteArray();
                if (kept.length < all.length
                        || !java.util.Arrays.equals(all, java.util.Arrays.copyOf(kept, all.length))) {
                    lost++;
                }
            }
        }
        return Row.of(
                "kills",
                lost == 0 && outlived == 0,
                times + " times killed while a recording came in",
                "%d kB acknowledged, lost in %d; %d programs outlived the server",
                acknowledged / 1024,
                lost,
                outlived);
    }
}
