package prolalia.app.attack;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicInteger;
import prolalia.app.web.RunningHouse;
import prolalia.app.web.Visitor;
import prolalia.core.sound.Sound;
import prolalia.media.SoundReader;
import prolalia.media.SoundWriter;

/** Teachers who end a minute of speech at the same moment, while a crowd listens: how long each waits for the verdict. */
final class Teachers {
    private static final int SECONDS = 60;
    /** A minute of speech takes a minute; a part of that is enough for the server to be ready for its end, as it would be. */
    private static final int SPEAKING_MS = 15_000;

    private static final int CHUNK_BYTES = 96_000;

    private Teachers() {}

    static Row run(Target target, int teachers, int listeners) throws Exception {
        byte[] minute = minute();
        List<Long> waits = Collections.synchronizedList(new ArrayList<>());
        AtomicInteger taken = new AtomicInteger();
        CountDownLatch sent = new CountDownLatch(teachers);
        CountDownLatch speaking = new CountDownLatch(1);
        List<Thread> all = new ArrayList<>();
        for (int i = 0; i < teachers; i++) {
            Thread teacher = new Thread(() -> {
                try {
                    Visitor ines = target.ines();
                    String id = UUID.randomUUID().toString();
                    int chunks = send(ines, id, minute);
                    sent.countDown();
                    speaking.await();
                    long begun = System.nanoTime();
                    String verdict =
                            Visitor.text(ines.form("/recordings/" + id + "/end", "chunks", Integer.toString(chunks)));
                    waits.add((System.nanoTime() - begun) / 1_000_000);
                    taken.addAndGet(verdict.contains("data-take") ? 1 : 0);
                } catch (Exception failure) {
                    sent.countDown();
                }
            });
            teacher.start();
            all.add(teacher);
        }
        sent.await();
        Thread.sleep(SPEAKING_MS);
        speaking.countDown();
        Row crowd = Crowd.run(target, listeners, 0, 0);
        for (Thread teacher : all) {
            teacher.join();
        }
        waits.sort(null);
        return Row.of(
                "teachers",
                taken.get() == teachers && crowd.held(),
                teachers + " teachers end a minute of speech at once, " + listeners + " listen",
                "%d taken, half within %d ms, all within %d ms; listeners: %s",
                taken.get(),
                waits.get(waits.size() / 2),
                waits.get(waits.size() - 1),
                crowd.found());
    }

    private static int send(Visitor teacher, String id, byte[] minute) throws Exception {
        String line = teacher.newLine("Words of a minute.");
        int chunks = 0;
        for (int from = 0; from < minute.length; from += CHUNK_BYTES) {
            byte[] chunk = Arrays.copyOfRange(minute, from, Math.min(minute.length, from + CHUNK_BYTES));
            teacher.send("PUT", "/recordings/" + id + "/chunks/" + chunks++ + "?line=" + line, "audio/wav", chunk);
        }
        return chunks;
    }

    /** The demo's voices one after another, as WAV, as a read-through sends it. */
    private static byte[] minute() throws Exception {
        float[] all = new float[SECONDS * Sound.TAKE_SAMPLE_RATE];
        int at = 0;
        for (int i = 0; at < all.length; i++) {
            String name = List.of("bean-1a", "bean-1b", "bean-2a", "bean-2b").get(i % 4);
            Path file = Files.createTempFile("voice", ".ogg");
            try (var in = RunningHouse.class.getResourceAsStream("/demo/" + name + ".ogg");
                    var out = Files.newOutputStream(file)) {
                in.transferTo(out);
            }
            float[] voice = SoundReader.decode(file, 60_000).sound().samples();
            System.arraycopy(voice, 0, all, at, Math.min(voice.length, all.length - at));
            at += voice.length + Sound.TAKE_SAMPLE_RATE / 2;
        }
        Path wav = Files.createTempFile("minute", ".wav");
        SoundWriter.writeWav(new Sound(all, Sound.TAKE_SAMPLE_RATE), wav);
        return Files.readAllBytes(wav);
    }
}
