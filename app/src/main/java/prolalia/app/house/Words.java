package prolalia.app.house;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Map;
import java.util.ResourceBundle;
import java.util.TreeMap;
import org.springframework.context.MessageSource;
import org.springframework.context.i18n.LocaleContextHolder;
import org.springframework.stereotype.Component;

/** The words that people see, from the message bundle. */
@Component("words")
public class Words {
    private static final String BROWSER_PREFIX = "browser.";

    private final MessageSource messages;

    Words(MessageSource messages) {
        this.messages = messages;
    }

    public String say(String key, Object... arguments) {
        return messages.getMessage(key, arguments, LocaleContextHolder.getLocale());
    }

    /** What scripts in the browser say, for one of them; keys without their prefix. */
    public Map<String, String> forBrowser(String part) {
        ResourceBundle bundle = ResourceBundle.getBundle("messages", Locale.ENGLISH);
        String prefix = BROWSER_PREFIX + part + ".";
        Map<String, String> words = new TreeMap<>();
        for (String key : bundle.keySet()) {
            if (key.startsWith(prefix)) {
                words.put(key.substring(prefix.length()), bundle.getString(key));
            }
        }
        return words;
    }

    /** The time of day on this server's clock: "14:05". */
    public String timeOfDay(long epochMs) {
        return DateTimeFormatter.ofPattern("HH:mm")
                .withZone(ZoneId.systemDefault())
                .format(Instant.ofEpochMilli(epochMs));
    }

    /** A length of time: "4.1 s", "2 min 06 s", "3 h 00 min". */
    public String length(long ms) {
        long seconds = Math.round(ms / 1000.0);
        if (ms < 10_000) {
            return say("length.short", ms / 1000.0);
        }
        if (seconds < 60) {
            return say("length.seconds", seconds);
        }
        return seconds < 3600
                ? say("length.minutes", seconds / 60, seconds % 60)
                : say("length.hours", seconds / 3600, seconds % 3600 / 60);
    }
}
