package prolalia.app.player;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import prolalia.app.link.LinkService;

/**
 * Goes through a lesson as a class does, right after the start: a Java program is slow until it has done a thing often, and the
 * first class of the day shall not wait for that. Only looks; nothing is counted.
 */
@Component
@ConditionalOnProperty("prolalia.rehearse")
class WarmUp {
    private static final Logger LOG = LoggerFactory.getLogger(WarmUp.class);
    private static final int ROUNDS = 400;
    private static final long LONGEST_MS = 8_000;
    private static final Pattern SOUND = Pattern.compile("data-sound=\"(/[^\"]+)\"");

    private final LinkService links;

    WarmUp(LinkService links) {
        this.links = links;
    }

    @EventListener
    void begin(ApplicationReadyEvent ready) {
        if (ready.getApplicationContext() instanceof WebServerApplicationContext context
                && ready.getApplicationContext().getEnvironment().getProperty("server.ssl.key-store") == null) {
            String under = context.getEnvironment().getProperty("server.servlet.context-path", "");
            String address = "http://127.0.0.1:" + context.getWebServer().getPort();
            Thread thread = new Thread(() -> rehearse(address, under), "rehearsal");
            thread.setDaemon(true);
            thread.setPriority(Thread.MIN_PRIORITY);
            thread.start();
        }
    }

    /** @param under the path of all its pages */
    private void rehearse(String address, String under) {
        long end = System.nanoTime() + LONGEST_MS * 1_000_000;
        HttpClient client = HttpClient.newHttpClient();
        String link = under + "/l/" + links.newestToken().orElse("none-as-yet");
        try {
            List<String> asked = new ArrayList<>(List.of(link));
            Matcher sound = SOUND.matcher(ask(client, address + link));
            while (sound.find() && asked.size() < 3) {
                asked.add(sound.group(1));
            }
            asked.add(under + "/assets/player/prompts/well_done.mp3");
            for (int round = 0; round < ROUNDS && System.nanoTime() < end; round++) {
                for (String path : asked) {
                    ask(client, address + path);
                }
            }
        } catch (IOException notReached) {
            LOG.info("The server can't be reached by itself: there was no rehearsal");
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        }
    }

    private static String ask(HttpClient client, String address) throws IOException, InterruptedException {
        HttpRequest request = HttpRequest.newBuilder(URI.create(address)).build();
        return client.send(request, BodyHandlers.ofString()).body();
    }
}
