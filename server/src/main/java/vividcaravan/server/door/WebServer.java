package vividcaravan.server.door;

import org.apache.catalina.core.StandardHost;
import org.apache.coyote.AbstractProtocol;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.core.Ordered;
import org.springframework.stereotype.Component;
import vividcaravan.server.platform.Precedence;
import vividcaravan.server.platform.VividProperties;

/** How the web server is set up beyond what its settings say. */
@Component
class WebServer implements WebServerFactoryCustomizer<TomcatServletWebServerFactory>, Ordered {

    private final VividProperties properties;

    WebServer(VividProperties properties) {
        this.properties = properties;
    }

    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        if (!properties.trustedProxies().isEmpty()) {
            factory.addEngineValves(new ClientAddress(properties.trustedProxies()));
        }
        factory.addEngineValves(new RequestPlaces(), new PlainPath());
        factory.addContextCustomizers(context -> {
            if (context.getParent() instanceof StandardHost host) {
                host.setErrorReportValveClass(ProblemReport.class.getName());
            }
        });
        factory.addConnectorCustomizers(connector -> {
            if (connector.getProtocolHandler() instanceof AbstractProtocol<?> protocol) {
                protocol.setMaxThreads(RequestPlaces.THREADS);
                protocol.setThreadPriority(Precedence.REQUESTS);
                // Under many lines at once it would otherwise make and drop one for each, all of them behind one lock.
                protocol.setProcessorCache(-1);
            }
        });
        if (properties.isReachedByTls()) {
            factory.getSettings().getSession().getCookie().setSecure(true);
        }
    }

    /** After the settings, which know less. */
    @Override
    public int getOrder() {
        return Ordered.LOWEST_PRECEDENCE;
    }
}
