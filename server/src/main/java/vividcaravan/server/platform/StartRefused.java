package vividcaravan.server.platform;

import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** The product does not start like this; says why and what to do, instead of a stack trace. */
public final class StartRefused extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final String action;

    public StartRefused(String message, String action) {
        super(message);
        this.action = action;
    }

    /** Puts the reason where whoever started the product sees it. */
    static final class Analyzer extends AbstractFailureAnalyzer<StartRefused> {
        @Override
        protected FailureAnalysis analyze(Throwable rootFailure, StartRefused cause) {
            return new FailureAnalysis(cause.getMessage(), cause.action, cause);
        }
    }
}
