package prolalia.cli;

import picocli.CommandLine;
import picocli.CommandLine.Command;

/** The commands for scripts and batches. Results go to standard output, everything else to standard error. */
@Command(
        name = "./prolalia",
        description = "Prolalia's computation on files.",
        mixinStandardHelpOptions = true,
        subcommands = {
            MeasureCommand.class,
            RenderCommand.class,
            CheckCommand.class,
            SplitCommand.class,
            LinesCommand.class,
            FollowCommand.class,
            ExportCommand.class,
            QuestionsCommand.class,
            MarkCommand.class,
            StatisticsCommand.class,
            StampCommand.class,
            ScanCommand.class,
            SheetCommand.class
        })
public final class Commands {
    private Commands() {}

    public static void main(String[] arguments) {
        System.exit(commandLine().execute(arguments));
    }

    static CommandLine commandLine() {
        return new CommandLine(new Commands()).setCaseInsensitiveEnumValuesAllowed(true);
    }
}
