package prolalia.media.process;

import com.fasterxml.jackson.annotation.JsonTypeInfo;
import prolalia.core.sound.edit.Edit;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** How requests and answers stand on a line. */
public final class SoundForms {
    private static final JsonMapper JSON = JsonMapper.builder()
            .addMixIn(Edit.class, EditForm.class)
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .build();

    private SoundForms() {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.SIMPLE_NAME, property = "kind")
    private interface EditForm {}

    public static String write(Object value) {
        return JSON.writeValueAsString(value);
    }

    public static <T> T read(String text, Class<T> type) {
        return JSON.readValue(text, type);
    }
}
