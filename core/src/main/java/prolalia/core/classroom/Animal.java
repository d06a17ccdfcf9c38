package prolalia.core.classroom;

/** The picture by which a child finds herself, and a class its door. In one of several tints it is told from the same one elsewhere. */
public enum Animal {
    BIRD,
    CAT,
    DOG,
    FISH,
    RABBIT,
    MOUSE,
    SNAIL,
    SQUIRREL,
    TURTLE,
    WORM,
    BEETLE,
    PANDA,
    SHRIMP,
    BAT,
    BUTTERFLY,
    DEER,
    HORSE,
    PIG,
    SPIDER;

    /** The colour of its ink. */
    public enum Tint {
        SEA,
        MOSS,
        OCHRE,
        SLATE
    }
}
