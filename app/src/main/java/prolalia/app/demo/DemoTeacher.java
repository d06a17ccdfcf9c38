package prolalia.app.demo;

/** Whom the demo's button enters as. */
final class DemoTeacher {
    static final String SIGN_IN_NAME = "ines";
    static final String FULL_NAME = "Ines Faro";

    private DemoTeacher() {}
}
