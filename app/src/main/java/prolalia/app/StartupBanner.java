package prolalia.app;

import java.util.stream.Stream;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.event.EventListener;
import org.springframework.core.env.Environment;
import org.springframework.stereotype.Component;
import prolalia.app.account.AccountService;
import prolalia.app.account.FirstAccountGuard;
import prolalia.app.platform.DataFolder;
import prolalia.app.platform.HouseProperties;
import prolalia.app.platform.Machine;
import prolalia.app.platform.Messages;
import prolalia.app.school.SchoolAddress;
import prolalia.app.workers.SoundWorkers;

/** Says in the terminal where the application is and how to enter. */
@Component
class StartupBanner {
    /** A machine of 2 GB shows a little less. */
    private static final long LEAST_MEMORY_MB = 1_800;

    private final HouseProperties house;
    private final DataFolder folder;
    private final AccountService accounts;
    private final FirstAccountGuard guard;
    private final SoundWorkers sounds;
    private final Messages messages;
    private final Environment environment;

    StartupBanner(
            HouseProperties house,
            DataFolder folder,
            AccountService accounts,
            FirstAccountGuard guard,
            SoundWorkers sounds,
            Messages messages,
            Environment environment) {
        this.house = house;
        this.folder = folder;
        this.accounts = accounts;
        this.guard = guard;
        this.sounds = sounds;
        this.messages = messages;
        this.environment = environment;
    }

    @EventListener
    void announce(ApplicationReadyEvent ready) {
        if (!(ready.getApplicationContext() instanceof WebServerApplicationContext context)) {
            return;
        }
        boolean secure = Stream.of("bundle", "key-store", "certificate")
                .anyMatch(way -> environment.getProperty("server.ssl." + way) != null);
        // What works everywhere first.
        boolean both = secure && house.plainPort() > 0;
        String scheme = secure && !both ? "https://" : "http://";
        String port = ":" + (both ? house.plainPort() : context.getWebServer().getPort());
        StringBuilder text = new StringBuilder();
        text.append(messages.say("start.ready", scheme + "localhost" + port)).append('\n');
        boolean everywhere = environment.getProperty("server.address", "").matches("|0\\.0\\.0\\.0|::");
        if (everywhere) {
            SchoolAddress.networkAddresses()
                    .forEach(host -> text.append(messages.say("start.network", scheme + host + port))
                            .append('\n'));
        }
        if (both) {
            String securePort = ":" + context.getWebServer().getPort();
            Stream<String> hosts = everywhere ? SchoolAddress.networkAddresses().stream() : Stream.of("localhost");
            hosts.forEach(host -> text.append(messages.say("start.secure", "https://" + host + securePort))
                    .append('\n'));
        }
        if (house.demo()) {
            text.append(messages.say("start.demo")).append('\n');
        } else if (accounts.needsFirstAccount()) {
            text.append(messages.say("start.first")).append('\n');
            text.append(messages.say("start.word", guard.word())).append('\n');
        }
        text.append(messages.say("start.data", folder.root())).append('\n');
        text.append(messages.say(
                        "start.memory", Runtime.getRuntime().maxMemory() >> 20, sounds.places(), sounds.memoryMb()))
                .append('\n');
        if (Machine.memoryMb() < LEAST_MEMORY_MB) {
            text.append(messages.say("start.littleMemory", Machine.memoryMb())).append('\n');
        }
        System.out.println("\n" + text);
    }
}
