package prolalia.app.platform;

import static prolalia.app.platform.db.Tables.KEPT_TAKE;

import java.util.Collection;
import org.jooq.Condition;
import org.jooq.Field;
import org.jooq.Record1;
import org.jooq.Select;
import org.jooq.impl.DSL;

/** What sounds for a line, in a voice: the one place that says so, for all queries. */
public final class KeptTakes {
    /** The voice in which a line is said where nobody chose another. */
    public static final String MAIN_VOICE = "main";

    private KeptTakes() {}

    /** The take that sounds for a line; null: the line is silent. */
    public static Field<String> of(Field<String> lineId) {
        return of(lineId, MAIN_VOICE);
    }

    public static Field<String> of(Field<String> lineId, String voice) {
        return of(lineId, DSL.val(voice));
    }

    public static Field<String> of(Field<String> lineId, Field<String> voice) {
        return DSL.field(DSL.select(KEPT_TAKE.TAKE_ID)
                .from(KEPT_TAKE)
                .where(KEPT_TAKE.LINE_ID.eq(lineId), KEPT_TAKE.VOICE.eq(voice)));
    }

    /** All takes that sound somewhere, in whatever voice. */
    public static Select<Record1<String>> all() {
        return DSL.select(KEPT_TAKE.TAKE_ID).from(KEPT_TAKE);
    }

    /** Whether one of these takes sounds for a line, in whatever voice. */
    public static Condition isOneOf(Field<String> lineId, Collection<String> takeIds) {
        return lineId.in(DSL.select(KEPT_TAKE.LINE_ID).from(KEPT_TAKE).where(KEPT_TAKE.TAKE_ID.in(takeIds)));
    }
}
