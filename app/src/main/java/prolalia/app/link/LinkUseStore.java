package prolalia.app.link;

import static prolalia.app.platform.db.Tables.LINK_USE;

import java.util.Collection;
import java.util.List;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.link.LinkUse.Count;
import prolalia.app.link.LinkUse.Hour;

@Repository
class LinkUseStore {
    private final DSLContext writing;
    private final DSLContext looking;

    LinkUseStore(DSLContext writing, @Qualifier("looking") DSLContext looking) {
        this.writing = writing;
        this.looking = looking;
    }

    void add(Collection<Hour> hours) {
        writing.batch(hours.stream()
                        .map(each -> writing.insertInto(LINK_USE)
                                .set(LINK_USE.TOKEN, each.token())
                                .set(LINK_USE.HOUR, each.hour())
                                .set(LINK_USE.SCANS, each.count().scans())
                                .set(LINK_USE.PLAYS, each.count().plays())
                                .set(LINK_USE.HEARD_PERCENT, each.count().heardPercent())
                                .onConflict(LINK_USE.TOKEN, LINK_USE.HOUR)
                                .doUpdate()
                                .set(
                                        LINK_USE.SCANS,
                                        LINK_USE.SCANS.plus(DSL.val(each.count().scans())))
                                .set(
                                        LINK_USE.PLAYS,
                                        LINK_USE.PLAYS.plus(DSL.val(each.count().plays())))
                                .set(
                                        LINK_USE.HEARD_PERCENT,
                                        LINK_USE.HEARD_PERCENT.plus(
                                                DSL.val(each.count().heardPercent()))))
                        .toList())
                .execute();
    }

    /** In order of time. */
    List<Hour> of(Collection<String> tokens) {
        return looking.selectFrom(LINK_USE)
                .where(LINK_USE.TOKEN.in(tokens))
                .orderBy(LINK_USE.HOUR)
                .fetch(row -> new Hour(
                        row.getToken(),
                        row.getHour(),
                        new Count(row.getScans(), row.getPlays(), row.getHeardPercent())));
    }
}
