package prolalia.app.house;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import javax.sql.DataSource;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Component;

/**
 * What was read of the database, and holds until somebody changes anything in it. SQLite counts the commits of others
 * (PRAGMA data_version) on a connection of our own, so that nobody who changes something has to say so.
 */
@Component
public class UntilChanged {
    /** Under a rush of requests the database is asked no more often; nobody sees a change so soon. */
    private static final long PAUSE_NS = 2_000_000;

    /** More things of a kind are not asked for by a school, but by somebody who tries out addresses. */
    private static final int MOST = 5_000;

    private final DataSource reader;
    private volatile long asked = System.nanoTime() - PAUSE_NS;
    private volatile long last;
    private Connection watching;
    private PreparedStatement version;

    UntilChanged(@Qualifier("reader") DataSource reader) {
        this.reader = reader;
    }

    /** Things by a key, as many as were asked for since the last change. */
    public <K, V> Function<K, V> remember(Function<K, V> read) {
        return new Remembered<>(read)::get;
    }

    private final class Remembered<K, V> {
        private final Function<K, V> read;
        private volatile Known<K, V> known = new Known<>(Long.MIN_VALUE, new ConcurrentHashMap<>());

        Remembered(Function<K, V> read) {
            this.read = read;
        }

        V get(K key) {
            // Asked before it is read: what is committed meanwhile counts as a change after it.
            long now = version();
            Known<K, V> current = known;
            if (current.version() != now || current.things().size() > MOST) {
                current = new Known<>(now, new ConcurrentHashMap<>());
                known = current;
            }
            return current.things().computeIfAbsent(key, read);
        }
    }

    private record Known<K, V>(long version, Map<K, V> things) {}

    private long version() {
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
