package prolalia.app.assignment;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import prolalia.app.school.SchoolService;
import prolalia.app.storage.StorageSweeper;

/** What children did is kept as long as the school says, and goes then; teachers are told before. */
@Service
class RetentionPolicy {
    private static final Logger LOG = LoggerFactory.getLogger(RetentionPolicy.class);
    private static final int TOLD_DAYS_BEFORE = 14;
    private static final long DAY_MS = 86_400_000L;

    private final AssignmentStore store;
    private final SchoolService school;
    private final StorageSweeper sweeper;
    private final Clock clock;

    RetentionPolicy(AssignmentStore store, SchoolService school, StorageSweeper sweeper, Clock clock) {
        this.sweeper = sweeper;
        this.store = store;
        this.school = school;
        this.clock = clock;
    }

    /** What was done until a day, and when it goes. */
    record GoesSoon(LocalDate until, LocalDate on) {}

    /** Of what was given, whether something that was done goes within two weeks. */
    Optional<GoesSoon> goesSoon(List<String> assignmentIds) {
        ZonedDateTime soon = before().plusDays(TOLD_DAYS_BEFORE);
        return store.oldest(assignmentIds)
                .map(oldest -> LocalDate.ofInstant(java.time.Instant.ofEpochMilli(oldest), ZoneId.systemDefault()))
                .filter(oldest -> !oldest.isAfter(soon.toLocalDate()))
                .map(oldest -> new GoesSoon(
                        oldest,
                        oldest.plusMonths(school.settings().keepMonths()).plusDays(1)));
    }

    private ZonedDateTime before() {
        return ZonedDateTime.ofInstant(clock.instant(), ZoneId.systemDefault())
                .minusMonths(school.settings().keepMonths());
    }

    @Scheduled(fixedDelay = DAY_MS, initialDelay = 3_700_000)
    public void forget() {
        long until = before().minusDays(1).toInstant().toEpochMilli();
        sweeper.letGoOfResponsesBefore(until);
        int gone = store.forgetBefore(until);
        if (gone > 0) {
            LOG.info("Kept long enough, and gone: what was done in {} visits", gone);
        }
    }
}
