package prolalia.app.demo;

/** Whom the demo's button enters as. */
final class DemoTeacher {
    static final String SIGN_IN_NAME = "ines";
    static final String FULL_NAME = "Ines Faro";
    static final String SECOND_SIGN_IN_NAME = "tobi";
    static final String SECOND_FULL_NAME = "Tobi Marsh";

    private DemoTeacher() {}
}
