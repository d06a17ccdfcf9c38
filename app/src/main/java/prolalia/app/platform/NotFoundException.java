package prolalia.app.platform;

/** What was asked for isn't here, or isn't this teacher's: the two look the same from outside. */
public class NotFoundException extends RuntimeException {
    public NotFoundException(String what) {
        super(what);
    }
}
