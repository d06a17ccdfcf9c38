package prolalia.formats.web;

/**
 * What a student's page has where its questions are answered.
 *
 * @param answers where answers are kept, and asked for; null: somebody looks at the page, and nothing is kept
 * @param owner whose answers they are, for what waits on her device
 * @param recordings before whose addresses spoken answers go; null: nothing is kept
 */
public record Answering(String answers, String recordings, String owner) {
    /** Nothing that is answered is kept. */
    public static final Answering TRIED = new Answering(null, null, null);
}
