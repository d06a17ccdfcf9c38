package prolalia.app.platform;

import java.util.ResourceBundle;
import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Says in words why the server doesn't start when there is no room. */
class FullDiskAtStart extends AbstractFailureAnalyzer<FullDiskException> {
    @Override
    protected FailureAnalysis analyze(Throwable failure, FullDiskException cause) {
        ResourceBundle words = ResourceBundle.getBundle("messages");
        return new FailureAnalysis(words.getString("start.fullDisk"), words.getString("start.fullDisk.advice"), cause);
    }
}
