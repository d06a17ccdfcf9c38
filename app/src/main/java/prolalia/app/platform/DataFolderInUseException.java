package prolalia.app.platform;

import java.nio.file.Path;

/** Another server works with this data folder. */
final class DataFolderInUseException extends RuntimeException {
    private static final long serialVersionUID = 1;

    DataFolderInUseException(Path folder) {
        super(folder.toString());
    }
}
