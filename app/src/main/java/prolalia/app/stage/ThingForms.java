package prolalia.app.stage;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonSubTypes.Type;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import org.springframework.boot.jackson.JacksonMixin;
import prolalia.core.page.Thing;

/** How things are stored and sent to the browser: their parts, and their kind by name. */
@JacksonMixin(Thing.class)
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @Type(value = Thing.Spot.class, name = "SPOT"),
    @Type(value = Thing.EverySpot.class, name = "EVERY_SPOT"),
    @Type(value = Thing.Link.class, name = "LINK"),
    @Type(value = Thing.Jump.class, name = "JUMP"),
    @Type(value = Thing.Text.class, name = "TEXT"),
    @Type(value = Thing.Picture.class, name = "PICTURE")
})
interface ThingForms {}
