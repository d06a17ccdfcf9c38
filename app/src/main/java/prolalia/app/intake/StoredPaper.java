package prolalia.app.intake;

import prolalia.core.intake.Proposal;
import prolalia.formats.paper.PaperPage;
import prolalia.formats.paper.PaperRefusedException;

/**
 * A file of pages that is brought into a lesson.
 *
 * @param refusal why it can't be, null otherwise
 * @param pages how many it has, once it is read
 * @param wanted how many of them are to become pages of the lesson
 * @param lines how many lines those have
 */
record StoredPaper(
        String id,
        String lessonId,
        String teacherId,
        String fileName,
        String rawHash,
        State state,
        PaperRefusedException.Reason refusal,
        long arrivedAt,
        int pages,
        int wanted,
        int lines) {

    enum State {
        ARRIVED,
        READ,
        TAKEN,
        REFUSED,
        CANCELLED
    }

    /**
     * One of its pages.
     *
     * @param pictureHash null when it could not be drawn
     * @param changes how many changes of its proposal can be taken back
     */
    record StoredPage(
            int number,
            int width,
            int height,
            String pictureHash,
            String pictureType,
            Proposal proposal,
            int changes,
            Parts parts,
            boolean wanted) {
        /** A page as it was read. */
        static StoredPage of(PaperPage page) {
            return new StoredPage(
                    page.number(),
                    page.width(),
                    page.height(),
                    page.picture(),
                    page.mediaType(),
                    Proposal.of(
                            page.lines(),
                            page.sounds().stream().map(PaperPage.Sound::found).toList()),
                    0,
                    new Parts(page.sounds(), page.jumps(), page.links(), page.hidden()),
                    !page.hidden());
        }

        public double aspect() {
            return (double) width / height;
        }
    }

    /**
     * @param lines that are proposed on it and wanted
     * @param hidden whether the file has it, but doesn't show it
     * @param unsaid how many of its sounds are of no line as yet
     */
    record PageFacts(int number, boolean wanted, int lines, String pictureHash, boolean hidden, int unsaid) {}

    /** What else is known of a page; sounds by their names in the media store. */
    record Parts(
            java.util.List<PaperPage.Sound> sounds,
            java.util.List<PaperPage.Jump> jumps,
            java.util.List<PaperPage.Link> links,
            Boolean hidden) {
        Parts {
            hidden = hidden != null && hidden;
        }
    }
}
