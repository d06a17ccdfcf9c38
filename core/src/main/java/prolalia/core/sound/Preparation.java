package prolalia.core.sound;

/** What became of a recording: a take, or the reason why it can't be one. */
public sealed interface Preparation permits PreparedTake, Refusal {}
