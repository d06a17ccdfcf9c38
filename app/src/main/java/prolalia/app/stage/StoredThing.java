package prolalia.app.stage;

import com.fasterxml.jackson.annotation.JsonInclude;
import prolalia.core.page.Area;
import prolalia.core.page.Paths;
import prolalia.core.page.Thing;
import prolalia.core.page.Thing.Jump;
import prolalia.core.page.Thing.Link;
import prolalia.core.page.Thing.Spot;

/** A thing as it is stored and sent to the browser; what its kind doesn't have is null. */
@JsonInclude(JsonInclude.Include.NON_NULL)
record StoredThing(
        Kind kind,
        String id,
        Area area,
        String lineId,
        Boolean mark,
        String words,
        String address,
        String pageId,
        Paths.Kind way) {

    enum Kind {
        SPOT,
        LINK,
        JUMP
    }

    static StoredThing of(Thing thing) {
        if (thing instanceof Spot spot) {
            return new StoredThing(
                    Kind.SPOT, spot.id(), spot.area(), spot.lineId(), spot.mark(), null, null, null, null);
        }
        if (thing instanceof Link link) {
            return new StoredThing(
                    Kind.LINK, link.id(), link.area(), null, null, link.words(), link.address(), null, null);
        }
        Jump jump = (Jump) thing;
        return new StoredThing(Kind.JUMP, jump.id(), jump.area(), null, null, null, null, jump.pageId(), jump.way());
    }

    /** @throws IllegalArgumentException if something that its kind needs is missing */
    Thing thing() {
        if (kind == null || id == null || area == null) {
            throw new IllegalArgumentException("No thing: " + this);
        }
        return switch (kind) {
            case SPOT -> new Spot(id, area, needed(lineId), !Boolean.FALSE.equals(mark));
            case LINK -> new Link(id, area, words == null ? "" : words, needed(address));
            case JUMP ->
                new Jump(id, area, needed(pageId), way == null || way == Paths.Kind.NEXT ? Paths.Kind.PLAIN : way);
        };
    }

    private static String needed(String value) {
        if (value == null || value.isBlank()) {
            throw new IllegalArgumentException("Something is missing");
        }
        return value;
    }
}
