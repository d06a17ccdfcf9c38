package prolalia.app.platform;

import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import java.io.IOException;
import java.nio.file.Files;
import java.util.Map;
import java.util.Properties;
import javax.sql.DataSource;
import org.jooq.DSLContext;
import org.jooq.SQLDialect;
import org.jooq.conf.RenderNameCase;
import org.jooq.conf.Settings;
import org.jooq.impl.DSL;
import org.jooq.impl.DataSourceConnectionProvider;
import org.jooq.impl.DefaultConfiguration;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Primary;
import org.springframework.jdbc.datasource.TransactionAwareDataSourceProxy;
import org.springframework.jdbc.datasource.lookup.AbstractRoutingDataSource;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.sqlite.SQLiteConfig;

/**
 * SQLite in WAL mode: one connection that writes, several that read.
 *
 * <p>With one writer no two transactions ever wait for each other's lock, and readers never wait at all. Every commit is
 * on the disk before it is acknowledged ({@code synchronous=FULL}).
 */
@Configuration
class DatabaseConfiguration {
    private static final int READERS = 5;
    private static final int BUSY_TIMEOUT_MS = 10_000;

    /** The default for Flyway, sessions and transactions. */
    @Bean
    @Primary
    HikariDataSource writer(DataFolder folder) throws IOException {
        if (!Files.exists(folder.database())) {
            Files.createFile(folder.database());
        }
        DataFolder.forOwnerAlone(folder.database());
        return pool(folder, "writer", 1, false);
    }

    @Bean(defaultCandidate = false)
    HikariDataSource reader(DataFolder folder, org.flywaydb.core.Flyway migrated) {
        return pool(folder, "reader", READERS, true);
    }

    /** For changes, and for reading within the transaction of a change. */
    @Bean
    @Primary
    DSLContext writing(DataSource writer) {
        return context(new TransactionAwareDataSourceProxy(writer));
    }

    /** For all reading: by the pool that reads, and within a transaction by its own connection, which sees what it wrote. */
    @Bean
    DSLContext looking(@Qualifier("reader") DataSource reader, DataSource writer) {
        AbstractRoutingDataSource either = new AbstractRoutingDataSource() {
            @Override
            protected Object determineCurrentLookupKey() {
                return TransactionSynchronizationManager.isActualTransactionActive();
            }
        };
        either.setTargetDataSources(Map.of(true, new TransactionAwareDataSourceProxy(writer), false, reader));
        either.afterPropertiesSet();
        return context(either);
    }

    private static DSLContext context(DataSource source) {
        Settings settings =
                new Settings().withRenderNameCase(RenderNameCase.AS_IS).withExecuteLogging(false);
        return DSL.using(new DefaultConfiguration()
                .set(new DataSourceConnectionProvider(source))
                .set(SQLDialect.SQLITE)
                .set(settings));
    }

    private static HikariDataSource pool(DataFolder folder, String name, int size, boolean readOnly) {
        SQLiteConfig sqlite = new SQLiteConfig();
        sqlite.setJournalMode(SQLiteConfig.JournalMode.WAL);
        sqlite.setSynchronous(SQLiteConfig.SynchronousMode.FULL);
        sqlite.enforceForeignKeys(true);
        sqlite.setBusyTimeout(BUSY_TIMEOUT_MS);
        if (!readOnly) {
            sqlite.setTransactionMode(SQLiteConfig.TransactionMode.IMMEDIATE);
        }
        Properties properties = sqlite.toProperties();
        HikariConfig config = new HikariConfig();
        config.setPoolName(name);
        config.setJdbcUrl("jdbc:sqlite:" + folder.database());
        config.setDataSourceProperties(properties);
        config.setMaximumPoolSize(size);
        // What is deleted is overwritten: a voice that was taken away is nowhere in the file.
        config.setConnectionInitSql(readOnly ? "PRAGMA query_only = ON" : "PRAGMA secure_delete = ON");
        return new HikariDataSource(config);
    }
}
