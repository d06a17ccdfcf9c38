package prolalia.app.house;

import java.time.Clock;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

@Configuration
class WebConfiguration {
    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }
}
