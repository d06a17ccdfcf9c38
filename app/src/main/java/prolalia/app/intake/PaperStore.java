package prolalia.app.intake;

import static org.jooq.impl.DSL.coalesce;
import static org.jooq.impl.DSL.count;
import static org.jooq.impl.DSL.sum;
import static org.jooq.impl.DSL.val;
import static prolalia.app.platform.db.Tables.LESSON;
import static prolalia.app.platform.db.Tables.PAPER;
import static prolalia.app.platform.db.Tables.PAPER_PAGE;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.Record3;
import org.jooq.impl.DSL;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import prolalia.app.access.LessonRef;
import prolalia.app.intake.StoredPaper.PageFacts;
import prolalia.app.intake.StoredPaper.Parts;
import prolalia.app.intake.StoredPaper.State;
import prolalia.app.intake.StoredPaper.StoredPage;
import prolalia.app.platform.db.tables.records.PaperPageRecord;
import prolalia.core.intake.Proposal;
import prolalia.formats.paper.PaperRefusedException.Reason;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Papers and their pages. */
@Repository
class PaperStore {
    private static final int MOST_CHANGES = 100;

    /** Pages that were read before it was looked for say nothing of it. */
    private static final Field<Boolean> HIDDEN =
            DSL.field("json_extract({0}, '$.hidden')", Boolean.class, PAPER_PAGE.PARTS);

    private static final Field<Integer> UNSAID = DSL.field(
            "(SELECT count(*) FROM json_each({0}, '$.sounds') AS sound WHERE sound.value IS NULL)",
            Integer.class, PAPER_PAGE.PROPOSAL);

    private final DSLContext writing;
    private final DSLContext looking;
    private final JsonMapper json;

    PaperStore(DSLContext writing, @Qualifier("looking") DSLContext looking, JsonMapper json) {
        this.writing = writing;
        this.looking = looking;
        this.json = json;
    }

    void add(String id, LessonRef lesson, String fileName, String rawHash, long now) {
        writing.insertInto(PAPER)
                .set(PAPER.ID, id)
                .set(PAPER.LESSON_ID, lesson.id())
                .set(PAPER.FILE_NAME, fileName)
                .set(PAPER.RAW_HASH, rawHash)
                .set(PAPER.STATE, stored(State.ARRIVED))
                .set(PAPER.ARRIVED_AT, now)
                .onConflictDoNothing()
                .execute();
    }

    private static String stored(State state) {
        return state.name().toLowerCase(Locale.ROOT);
    }

    Optional<StoredPaper> find(String id) {
        return looking.select(PAPER.fields())
                .select(LESSON.TEACHER_ID)
                .from(PAPER)
                .join(LESSON)
                .on(LESSON.ID.eq(PAPER.LESSON_ID))
                .where(PAPER.ID.eq(id))
                .fetchOptional()
                .map(this::paper);
    }

    /** Those that weren't put away, newest first. */
    List<StoredPaper> ofLesson(LessonRef lesson) {
        return looking
                .select(PAPER.fields())
                .select(LESSON.TEACHER_ID)
                .from(PAPER)
                .join(LESSON)
                .on(LESSON.ID.eq(PAPER.LESSON_ID))
                .where(PAPER.LESSON_ID.eq(lesson.id()), PAPER.AWAY_AT.isNull())
                .orderBy(PAPER.ARRIVED_AT.desc())
                .fetch()
                .stream()
                .map(this::paper)
                .toList();
    }

    private StoredPaper paper(Record row) {
        String id = row.get(PAPER.ID);
        Record3<Integer, Integer, BigDecimal> pages = counts(id, row.get(PAPER.STATE));
        return new StoredPaper(
                id,
                row.get(PAPER.LESSON_ID),
                row.get(LESSON.TEACHER_ID),
                row.get(PAPER.FILE_NAME),
                row.get(PAPER.RAW_HASH),
                State.valueOf(row.get(PAPER.STATE).toUpperCase(Locale.ROOT)),
                Optional.ofNullable(row.get(PAPER.REFUSAL)).map(Reason::valueOf).orElse(null),
                row.get(PAPER.ARRIVED_AT),
                pages.value1(),
                pages.value2(),
                pages.value3().intValue());
    }

    /** How many pages a paper that was read has, how many of them are wanted, and how many lines those have. */
    private Record3<Integer, Integer, BigDecimal> counts(String paperId, String state) {
        return looking.select(
                        count(),
                        count().filterWhere(PAPER_PAGE.WANTED.isTrue()),
                        coalesce(sum(PAPER_PAGE.WANTED_LINES).filterWhere(PAPER_PAGE.WANTED.isTrue()), BigDecimal.ZERO))
                .from(PAPER_PAGE)
                .where(PAPER_PAGE.PAPER_ID.eq(paperId), val(state).eq(stored(State.READ)))
                .fetchSingle();
    }

    /** A paper that waits to be read. */
    record Arrived(String id, String teacherId) {}

    /** Oldest first. */
    List<Arrived> arrived() {
        return looking.select(PAPER.ID, LESSON.TEACHER_ID)
                .from(PAPER)
                .join(LESSON)
                .on(LESSON.ID.eq(PAPER.LESSON_ID))
                .where(PAPER.STATE.eq(stored(State.ARRIVED)))
                .orderBy(PAPER.ARRIVED_AT)
                .fetch(row -> new Arrived(row.get(PAPER.ID), row.get(LESSON.TEACHER_ID)));
    }

    /** Ends it, if it is still in a state; answers whether it was. */
    boolean end(String id, State from, State to, Reason refusal) {
        return writing.update(PAPER)
                        .set(PAPER.STATE, stored(to))
                        .set(PAPER.REFUSAL, refusal == null ? null : refusal.name())
                        .where(PAPER.ID.eq(id), PAPER.STATE.eq(stored(from)))
                        .execute()
                == 1;
    }

    void putAway(String id, Long awayAt) {
        writing.update(PAPER).set(PAPER.AWAY_AT, awayAt).where(PAPER.ID.eq(id)).execute();
    }

    void addPages(String id, List<StoredPage> pages) {
        List<PaperPageRecord> rows = new ArrayList<>();
        for (StoredPage page : pages) {
            PaperPageRecord row = writing.newRecord(PAPER_PAGE);
            row.setPaperId(id);
            row.setNumber(page.number());
            row.setWidth(page.width());
            row.setHeight(page.height());
            row.setPictureHash(page.pictureHash());
            row.setPictureType(page.pictureType());
            row.setProposal(json.writeValueAsString(page.proposal()));
            row.setWantedLines(page.proposal().wanted().size());
            row.setEarlier("[]");
            row.setParts(json.writeValueAsString(page.parts()));
            row.setWanted(page.wanted());
            rows.add(row);
        }
        writing.batchInsert(rows).execute();
    }

    /** Of all pages what a list of them needs. */
    List<PageFacts> facts(String paperId) {
        return looking.select(
                        PAPER_PAGE.NUMBER,
                        PAPER_PAGE.WANTED,
                        PAPER_PAGE.WANTED_LINES,
                        PAPER_PAGE.PICTURE_HASH,
                        HIDDEN,
                        UNSAID)
                .from(PAPER_PAGE)
                .where(PAPER_PAGE.PAPER_ID.eq(paperId))
                .orderBy(PAPER_PAGE.NUMBER)
                .fetch(row -> new PageFacts(
                        row.value1(),
                        row.value2(),
                        row.value3(),
                        row.value4(),
                        Boolean.TRUE.equals(row.value5()),
                        row.value6()));
    }

    List<StoredPage> pages(String paperId) {
        return looking.selectFrom(PAPER_PAGE)
                .where(PAPER_PAGE.PAPER_ID.eq(paperId))
                .orderBy(PAPER_PAGE.NUMBER)
                .fetch(this::page);
    }

    Optional<StoredPage> page(String paperId, int number) {
        return looking.selectFrom(PAPER_PAGE)
                .where(PAPER_PAGE.PAPER_ID.eq(paperId), PAPER_PAGE.NUMBER.eq(number))
                .fetchOptional(this::page);
    }

    private StoredPage page(PaperPageRecord row) {
        return new StoredPage(
                row.getNumber(),
                row.getWidth(),
                row.getHeight(),
                row.getPictureHash(),
                row.getPictureType(),
                json.readValue(row.getProposal(), Proposal.class),
                earlier(row).size(),
                json.readValue(row.getParts(), Parts.class),
                row.getWanted());
    }

    private List<Proposal> earlier(PaperPageRecord row) {
        return json.readValue(row.getEarlier(), new TypeReference<List<Proposal>>() {});
    }

    /** From now on this is proposed for a page; what was before can be taken back to. */
    void propose(String paperId, int number, Proposal proposal) {
        PaperPageRecord row = row(paperId, number);
        List<Proposal> earlier = new ArrayList<>(earlier(row));
        earlier.add(json.readValue(row.getProposal(), Proposal.class));
        store(row, proposal, earlier.subList(Math.max(0, earlier.size() - MOST_CHANGES), earlier.size()));
    }

    /** Takes the last change of a page back, if there is one. */
    void takeBack(String paperId, int number) {
        PaperPageRecord row = row(paperId, number);
        List<Proposal> earlier = new ArrayList<>(earlier(row));
        if (!earlier.isEmpty()) {
            store(row, earlier.remove(earlier.size() - 1), earlier);
        }
    }

    private PaperPageRecord row(String paperId, int number) {
        return looking.selectFrom(PAPER_PAGE)
                .where(PAPER_PAGE.PAPER_ID.eq(paperId), PAPER_PAGE.NUMBER.eq(number))
                .fetchSingle();
    }

    private void store(PaperPageRecord row, Proposal proposal, List<Proposal> earlier) {
        writing.update(PAPER_PAGE)
                .set(PAPER_PAGE.PROPOSAL, json.writeValueAsString(proposal))
                .set(PAPER_PAGE.WANTED_LINES, proposal.wanted().size())
                .set(PAPER_PAGE.EARLIER, json.writeValueAsString(earlier))
                .where(PAPER_PAGE.PAPER_ID.eq(row.getPaperId()), PAPER_PAGE.NUMBER.eq(row.getNumber()))
                .execute();
    }

    void want(String paperId, int number, boolean wanted) {
        writing.update(PAPER_PAGE)
                .set(PAPER_PAGE.WANTED, wanted)
                .where(PAPER_PAGE.PAPER_ID.eq(paperId), PAPER_PAGE.NUMBER.eq(number))
                .execute();
    }

    void taken(String paperId, int number, String pageId) {
        writing.update(PAPER_PAGE)
                .set(PAPER_PAGE.PAGE_ID, pageId)
                .where(PAPER_PAGE.PAPER_ID.eq(paperId), PAPER_PAGE.NUMBER.eq(number))
                .execute();
    }
}
