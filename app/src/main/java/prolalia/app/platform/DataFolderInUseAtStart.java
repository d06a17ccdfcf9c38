package prolalia.app.platform;

import java.text.MessageFormat;
import java.util.ResourceBundle;
import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Says in words why a second server doesn't start on the same data. */
class DataFolderInUseAtStart extends AbstractFailureAnalyzer<DataFolderInUseException> {
    @Override
    protected FailureAnalysis analyze(Throwable failure, DataFolderInUseException cause) {
        ResourceBundle words = ResourceBundle.getBundle("messages");
        return new FailureAnalysis(
                MessageFormat.format(words.getString("start.inUse"), cause.getMessage()),
                words.getString("start.inUse.advice"),
                cause);
    }
}
