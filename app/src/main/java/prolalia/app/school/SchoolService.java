package prolalia.app.school;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

@Service
public class SchoolService {
    private final SchoolStore store;
    private final AuditLog audit;
    private final LoadingCache<Boolean, SchoolSettings> settings;

    SchoolService(SchoolStore store, AuditLog audit) {
        this.store = store;
        this.audit = audit;
        settings = Caffeine.newBuilder().build(theOnly -> store.settings());
        SchoolTime.is(settings().timeZone());
    }

    /** The time zone of whoever sets the school up, unless it has one. */
    @Transactional
    public void beginIn(String zone) {
        if (settings().timeZone() == null && SchoolTime.isZone(zone)) {
            save(settings().in(zone));
        }
    }

    public SchoolSettings settings() {
        return settings.get(true);
    }

    /** Who did what, newest first. */
    List<AuditLog.Entry> log() {
        return audit.newest();
    }

    @Transactional
    void save(String signInName, SchoolSettings changed) {
        save(changed);
        audit.noteBy(signInName, AuditLog.Deed.SCHOOL_SETTINGS, changed.name());
    }

    /** The same, as nobody's deed. */
    @Transactional
    public void save(SchoolSettings changed) {
        store.save(changed);
        forgetOnceCommitted();
    }

    private void forgetOnceCommitted() {
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                settings.invalidateAll();
                SchoolTime.is(settings().timeZone());
            }
        });
    }
}
