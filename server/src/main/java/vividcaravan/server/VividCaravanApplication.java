package vividcaravan.server;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.scheduling.annotation.EnableScheduling;

/** Starts the product. */
@SpringBootApplication
@ConfigurationPropertiesScan
@EnableScheduling
public class VividCaravanApplication {

    public static void main(String[] args) {
        SpringApplication.run(VividCaravanApplication.class, args);
    }
}
