package prolalia.app.platform;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Supplier;
import javax.sql.DataSource;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Component;

/**
 * Tells whether anybody changed anything in the database. SQLite counts the commits of others (PRAGMA data_version) on a
 * connection of our own, so that nobody who changes something has to say so.
 */
@Component
public class UntilChanged {
    /** Under a rush of requests the database is asked no more often; nobody sees a change so soon. */
    private static final long PAUSE_NS = 2_000_000;

    private final DataSource reader;
    private volatile long asked = System.nanoTime() - PAUSE_NS;
    private volatile long last;
    private Connection watching;
    private PreparedStatement version;

    UntilChanged(@Qualifier("reader") DataSource reader) {
        this.reader = reader;
    }

    /** One thing that is read again when anything changed. */
    public <V> Supplier<V> remember(Supplier<V> read) {
        AtomicReference<Known<V>> known = new AtomicReference<>(new Known<>(Long.MIN_VALUE, null));
        return () -> {
            // Asked before it is read: what is committed meanwhile counts as a change after it.
            long now = version();
            Known<V> current = known.get();
            if (current.version() != now) {
                current = new Known<>(now, read.get());
                known.set(current);
            }
            return current.value();
        };
    }

    private record Known<V>(long version, V value) {}

    /** As long as it is the same number, nothing was committed. */
    public long version() {
        return System.nanoTime() - asked < PAUSE_NS ? last : ask();
    }

    private synchronized long ask() {
        if (System.nanoTime() - asked < PAUSE_NS) {
            return last;
        }
        long now = System.nanoTime();
        try {
            if (watching == null) {
                watching = reader.getConnection();
                version = watching.prepareStatement("PRAGMA data_version");
            }
            try (ResultSet row = version.executeQuery()) {
                row.next();
                last = row.getLong(1);
                asked = now;
                return last;
            }
        } catch (SQLException failure) {
            throw new IllegalStateException("The database can't be read", failure);
        }
    }
}
