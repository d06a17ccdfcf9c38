package prolalia.app.spoken;

/** Told when a take is heard that wasn't, or sounds otherwise: it was kept on its line, its sound was made, or edits were. */
public record TakeHeard(String takeId) {}
