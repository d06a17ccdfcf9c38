package prolalia.app.classroom;

import java.time.Clock;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import prolalia.app.storage.StorageSweeper;

/** Lets go, once a day, of classes that were removed long enough ago, and of the students that are in no other class. */
@Service
class RemovedClasses {
    private static final Logger LOG = LoggerFactory.getLogger(RemovedClasses.class);
    private static final long DAY_MS = 24 * 3_600_000L;

    private final ClassStore classes;
    private final StudentStore students;
    private final StudentFile files;
    private final StorageSweeper sweeper;
    private final TransactionTemplate transaction;
    private final Clock clock;

    RemovedClasses(
            ClassStore classes,
            StudentStore students,
            StudentFile files,
            StorageSweeper sweeper,
            TransactionTemplate transaction,
            Clock clock) {
        this.classes = classes;
        this.students = students;
        this.files = files;
        this.sweeper = sweeper;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** What is said in the classes goes with the next sweep of lessons. */
    @Scheduled(fixedDelay = DAY_MS, initialDelay = 3_500_000)
    void letGo() {
        for (String classId :
                classes.removedBefore(clock.instant().minus(StorageSweeper.BIN).toEpochMilli())) {
            List<String> nowhereElse = students.onlyIn(classId);
            nowhereElse.forEach(files::forget);
            sweeper.letGoOfResponsesTo(classId);
            transaction.executeWithoutResult(status -> classes.delete(classId));
            LOG.info("Let go: a class that was removed, with {} students", nowhereElse.size());
        }
    }
}
