package prolalia.app.school;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import java.net.URI;
import java.net.URISyntaxException;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

@Service
public class SchoolService {
    static final int MOST_MINUTES = 60;
    static final int MOST_MONTHS = 120;
    private static final int LONGEST_NAME = 120;

    private final SchoolStore store;
    private final AuditLog audit;
    private final LoadingCache<Boolean, SchoolSettings> settings;

    SchoolService(SchoolStore store, AuditLog audit) {
        this.store = store;
        this.audit = audit;
        settings = Caffeine.newBuilder().build(theOnly -> store.settings());
    }

    /** What is wrong with new settings; the words stand in the message bundle under {@code school.} and the name. */
    enum Fault {
        MINUTES,
        LONG_NAME,
        ADDRESS,
        KEEP
    }

    public SchoolSettings settings() {
        return settings.get(true);
    }

    /** Who did what, newest first. */
    List<AuditLog.Entry> log() {
        return audit.newest();
    }

    /** Saves; answers what is wrong, or nothing when it is saved. */
    @Transactional
    Optional<Fault> save(String signInName, String name, int longestRecordingMinutes, int keepMonths, String address) {
        Optional<Fault> fault = save(name, longestRecordingMinutes, keepMonths, address);
        if (fault.isEmpty()) {
            audit.noteBy(signInName, AuditLog.Deed.SCHOOL_SETTINGS, name.strip());
        }
        return fault;
    }

    /** The same, as nobody's deed. */
    @Transactional
    public Optional<Fault> save(String name, int longestRecordingMinutes, int keepMonths, String address) {
        if (keepMonths < 1 || keepMonths > MOST_MONTHS) {
            return Optional.of(Fault.KEEP);
        }
        if (longestRecordingMinutes < 1 || longestRecordingMinutes > MOST_MINUTES) {
            return Optional.of(Fault.MINUTES);
        }
        if (name.strip().length() > LONGEST_NAME) {
            return Optional.of(Fault.LONG_NAME);
        }
        String reachedAt = address.strip().replaceAll("/+$", "");
        if (!reachedAt.isEmpty() && !isAddress(reachedAt)) {
            return Optional.of(Fault.ADDRESS);
        }
        store.save(new SchoolSettings(
                name.strip(), longestRecordingMinutes * 60_000L, keepMonths, reachedAt.isEmpty() ? null : reachedAt));
        forgetOnceCommitted();
        return Optional.empty();
    }

    private void forgetOnceCommitted() {
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                settings.invalidateAll();
            }
        });
    }

    private static boolean isAddress(String text) {
        try {
            URI uri = new URI(text);
            return ("http".equals(uri.getScheme()) || "https".equals(uri.getScheme()))
                    && uri.getHost() != null
                    && uri.getQuery() == null
                    && uri.getFragment() == null;
        } catch (URISyntaxException unreadable) {
            return false;
        }
    }
}
