package prolalia.app.platform;

import java.time.Clock;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import prolalia.core.page.PageElement;
import prolalia.formats.archive.PageElementForms;

@Configuration
class WebConfiguration {
    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }

    /** Things of a page are kept and sent as they stand in archives. */
    @Bean
    JsonMapperBuilderCustomizer thingForms() {
        return builder -> builder.addMixIn(PageElement.class, PageElementForms.class);
    }
}
