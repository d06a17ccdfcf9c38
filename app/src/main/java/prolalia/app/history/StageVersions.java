package prolalia.app.history;

/** The versions of what is placed on pages, and on every page of a lesson; their owner is the page, or the lesson. */
public interface StageVersions {
    /** The one that holds, from 0, the empty stage. */
    int version(String ownerId);

    /** Whether it is there to go back or forward to. */
    boolean has(String ownerId, int version);

    void hold(String ownerId, int version);
}
