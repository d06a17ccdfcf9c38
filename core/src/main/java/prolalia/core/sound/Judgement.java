package prolalia.core.sound;

/** What is found in a recording before a take is made of it: what is said in it, or the reason why it can't be one. */
public sealed interface Judgement permits SpokenPart, Refusal {}
