package vividcaravan.server.platform;

import io.swagger.v3.oas.annotations.Hidden;
import java.time.Duration;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** The pages, scripts and fonts that ship with the product. */
@Configuration
class BrowserSide implements WebMvcConfigurer {

    /** Their names change with their content, so they may be kept. */
    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/assets/**")
                .addResourceLocations("classpath:/static/assets/")
                .setCacheControl(
                        CacheControl.maxAge(Duration.ofDays(365)).cachePublic().immutable());
    }

    /** Every place has an address of its own, and all are the same page. */
    @Controller
    @Hidden
    static class Pages {
        @GetMapping({
            "/desk/**",
            "/vehicles/**",
            "/describe/**",
            "/workshop/**",
            "/stores/**",
            "/office/**",
            "/demo",
            "/sign-in",
            "/set-up",
            "/join",
            "/gate",
            "/walk/**"
        })
        String page() {
            return "forward:/index.html";
        }
    }
}
