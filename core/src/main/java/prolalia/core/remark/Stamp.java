package prolalia.core.remark;

/** A picture that says something back without a word. */
public enum Stamp {
    /** Well done. */
    STAR,
    /** It made somebody glad. */
    SUN,
    /** It grows: go on like this. */
    SPROUT,
    /** Have another look. */
    GLASS
}
