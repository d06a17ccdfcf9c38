package prolalia.app.lesson;

import static org.jooq.impl.DSL.coalesce;
import static org.jooq.impl.DSL.max;
import static org.jooq.impl.DSL.notExists;
import static org.jooq.impl.DSL.selectOne;
import static prolalia.app.house.db.Tables.LINE;
import static prolalia.app.house.db.Tables.RECORDING;

import java.util.ArrayList;
import java.util.List;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import prolalia.app.house.Ids;
import prolalia.app.house.db.tables.records.LineRecord;
import prolalia.core.lesson.LineKind;
import prolalia.core.script.PastedScript.ReadLine;

/** Changes to lines. */
@Repository
public class LineStore {
    private final DSLContext writing;

    LineStore(DSLContext writing) {
        this.writing = writing;
    }

    /** Adds a line after another one of the page, or at the page's end when {@code afterLineId} is null. */
    public String add(String pageId, String afterLineId, LineKind kind, String words) {
        Integer after = afterLineId == null
                ? null
                : writing.select(LINE.POSITION)
                        .from(LINE)
                        .where(LINE.ID.eq(afterLineId), LINE.PAGE_ID.eq(pageId))
                        .fetchOne(LINE.POSITION);
        if (after == null) {
            after = writing.select(coalesce(max(LINE.POSITION), -1))
                    .from(LINE)
                    .where(LINE.PAGE_ID.eq(pageId))
                    .fetchOne(0, Integer.class);
        } else {
            writing.update(LINE)
                    .set(LINE.POSITION, LINE.POSITION.plus(1))
                    .where(LINE.PAGE_ID.eq(pageId), LINE.POSITION.gt(after))
                    .execute();
        }
        String id = Ids.newId();
        writing.insertInto(LINE)
                .set(LINE.ID, id)
                .set(LINE.PAGE_ID, pageId)
                .set(LINE.POSITION, after + 1)
                .set(LINE.KIND, kind.name())
                .set(LINE.WORDS, words)
                .set(LINE.REVISION, 1)
                .execute();
        return id;
    }

    /** Adds lines at the end of a page. */
    public void addAll(String pageId, List<ReadLine> read) {
        int position = writing.select(coalesce(max(LINE.POSITION), -1))
                .from(LINE)
                .where(LINE.PAGE_ID.eq(pageId))
                .fetchSingle(0, Integer.class);
        List<LineRecord> rows = new ArrayList<>();
        for (ReadLine line : read) {
            LineRecord row = writing.newRecord(LINE);
            row.setId(Ids.newId());
            row.setPageId(pageId);
            row.setPosition(++position);
            row.setKind(line.kind().name());
            row.setWords(line.words());
            row.setRevision(1);
            rows.add(row);
        }
        writing.batchInsert(rows).execute();
    }

    /** Takes the lines away that never got a word or a recording, such as a new page's first one. */
    public void removeEmpty(String pageId) {
        writing.deleteFrom(LINE)
                .where(
                        LINE.PAGE_ID.eq(pageId),
                        LINE.WORDS.eq(""),
                        notExists(selectOne().from(RECORDING).where(RECORDING.LINE_ID.eq(LINE.ID))))
                .execute();
    }

    /** Changes the words unless somebody changed them since {@code revision}; answers whether it did. */
    public boolean changeWords(String lineId, int revision, String words) {
        return writing.update(LINE)
                        .set(LINE.WORDS, words)
                        .set(LINE.REVISION, LINE.REVISION.plus(1))
                        .where(LINE.ID.eq(lineId), LINE.REVISION.eq(revision))
                        .execute()
                == 1;
    }

    public void changeKind(String lineId, LineKind kind) {
        writing.update(LINE)
                .set(LINE.KIND, kind.name())
                .where(LINE.ID.eq(lineId))
                .execute();
    }

    /** Makes a take the one that students hear. */
    public void keep(String lineId, String takeId) {
        writing.update(LINE)
                .set(LINE.KEPT_TAKE_ID, takeId)
                .where(LINE.ID.eq(lineId))
                .execute();
    }

    public void setRemoved(String lineId, Long removedAt) {
        writing.update(LINE)
                .set(LINE.REMOVED_AT, removedAt)
                .where(LINE.ID.eq(lineId))
                .execute();
    }
}
