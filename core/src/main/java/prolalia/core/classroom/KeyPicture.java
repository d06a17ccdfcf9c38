package prolalia.core.classroom;

/** One of the pictures of which a {@link PictureKey} is made: things that a small child can name. */
public enum KeyPicture {
    SUN,
    MOON,
    STAR,
    CLOUD,
    UMBRELLA,
    TREE,
    FLOWER,
    LEAF,
    APPLE,
    BANANA,
    CARROT,
    CHERRY,
    HOUSE,
    TENT,
    BOAT,
    CAR,
    BIKE,
    ROCKET,
    KEY,
    BELL,
    BOOK,
    DRUM,
    CROWN,
    BALLOON
}
