package prolalia.app.platform;

import java.time.Clock;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.boot.webmvc.autoconfigure.WebMvcRegistrations;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import prolalia.core.page.PageElement;
import prolalia.formats.archive.PageElementForms;

@Configuration
class WebConfiguration {
    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }

    @Bean
    WebMvcRegistrations handlers() {
        return new WebMvcRegistrations() {
            @Override
            public RequestMappingHandlerMapping getRequestMappingHandlerMapping() {
                return new HandlersByFirstWord();
            }
        };
    }

    /** Things of a page are kept and sent as they stand in archives. */
    @Bean
    JsonMapperBuilderCustomizer thingForms() {
        return builder -> builder.addMixIn(PageElement.class, PageElementForms.class);
    }
}
