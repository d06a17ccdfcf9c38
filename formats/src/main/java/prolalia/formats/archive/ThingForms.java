package prolalia.formats.archive;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonSubTypes.Type;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import prolalia.core.page.Thing;

/** How things are written as JSON (a Jackson mix-in for {@link Thing}): their parts, and their kind by name. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @Type(value = Thing.Spot.class, name = "SPOT"),
    @Type(value = Thing.EverySpot.class, name = "EVERY_SPOT"),
    @Type(value = Thing.Link.class, name = "LINK"),
    @Type(value = Thing.Jump.class, name = "JUMP"),
    @Type(value = Thing.Text.class, name = "TEXT"),
    @Type(value = Thing.Picture.class, name = "PICTURE")
})
public interface ThingForms {}
