package prolalia.formats.archive;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonSubTypes.Type;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import prolalia.core.page.Jump;
import prolalia.core.page.PageElement;

/** How things are written as JSON (a Jackson mix-in for {@link PageElement}): their parts, and their kind by name. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @Type(value = PageElement.Spot.class, name = "SPOT"),
    @Type(value = PageElement.EverySpot.class, name = "EVERY_SPOT"),
    @Type(value = PageElement.Link.class, name = "LINK"),
    @Type(value = Jump.class, name = "JUMP"),
    @Type(value = PageElement.Text.class, name = "TEXT"),
    @Type(value = PageElement.Picture.class, name = "PICTURE"),
    @Type(value = PageElement.AnswerArea.class, name = "ANSWER")
})
public interface PageElementForms {}
