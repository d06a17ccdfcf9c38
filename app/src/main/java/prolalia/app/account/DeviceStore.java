package prolalia.app.account;

import static prolalia.app.platform.db.Tables.KNOWN_DEVICE;
import static prolalia.app.platform.db.Tables.TEACHER;

import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;

/** From which devices teachers signed in, by the hash of the secret in a device's cookie. */
@Repository
class DeviceStore {
    private final DSLContext writing;
    private final DSLContext looking;

    DeviceStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    boolean knows(String secretHash, String signInName) {
        return looking.fetchExists(looking.selectOne()
                .from(KNOWN_DEVICE)
                .join(TEACHER)
                .on(TEACHER.ID.eq(KNOWN_DEVICE.TEACHER_ID))
                .where(KNOWN_DEVICE.SECRET_HASH.eq(secretHash), TEACHER.SIGN_IN_NAME.eq(signInName)));
    }

    void add(String secretHash, String teacherId, long now) {
        writing.insertInto(KNOWN_DEVICE)
                .set(KNOWN_DEVICE.SECRET_HASH, secretHash)
                .set(KNOWN_DEVICE.TEACHER_ID, teacherId)
                .set(KNOWN_DEVICE.KNOWN_SINCE, now)
                .onConflictDoNothing()
                .execute();
    }
}
