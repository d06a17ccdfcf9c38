package prolalia.app.platform;

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
@Component("messages")
public class Messages {
    private static final String BROWSER_PREFIX = "browser.";

    private final MessageSource messages;

    Messages(MessageSource messages) {
        this.messages = messages;
    }

    public String say(String key, Object... arguments) {
        return messages.getMessage(key, arguments, LocaleContextHolder.getLocale());
    }

    /**
     * What a script in the browser says; keys without their prefix.
     *
     * @param parts of the bundle; a later one's words hold where an earlier one has the same key
     */
    public Map<String, String> forBrowser(String... parts) {
        ResourceBundle bundle = ResourceBundle.getBundle("messages", Locale.ENGLISH);
        Map<String, String> words = new TreeMap<>();
        for (String part : parts) {
            String prefix = BROWSER_PREFIX + part + ".";
            for (String key : bundle.keySet()) {
                if (key.startsWith(prefix)) {
                    // The bundle quotes apostrophes for MessageFormat; scripts fill in their values themselves.
                    words.put(
                            key.substring(prefix.length()),
                            bundle.getString(key).replace("''", "'"));
                }
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

    /** The time of today, or the day of another: "14:05", "3 Nov". */
    public String whenShort(long epochMs) {
        ZoneId zone = ZoneId.systemDefault();
        var then = Instant.ofEpochMilli(epochMs).atZone(zone);
        boolean today = then.toLocalDate().equals(java.time.LocalDate.now(zone));
        return today
                ? timeOfDay(epochMs)
                : DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH).format(then);
    }

    /** "Friday, 11 December". */
    public String day(long epochMs) {
        return DateTimeFormatter.ofPattern("EEEE, d MMMM", Locale.ENGLISH)
                .withZone(ZoneId.systemDefault())
                .format(Instant.ofEpochMilli(epochMs));
    }

    /** An estimate, to the second: "4 s", "2 min 06 s". */
    public String about(long ms) {
        long seconds = Math.max(1, Math.round(ms / 1000.0));
        return seconds < 60 ? say("length.seconds", seconds) : length(seconds * 1000);
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
