package unimotus.cli;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import picocli.CommandLine;

/** The verbs of the command line. A start builds only the one that is called: each costs time. */
final class Verbs {
  private static final Map<String, Class<?>> ALL = new LinkedHashMap<>();

  static {
    ALL.put("check", CheckCommand.class);
    ALL.put("calc", CalcCommand.class);
    ALL.put("path", PathCommand.class);
    ALL.put("predict", PredictCommand.class);
    ALL.put("diagnose", DiagnoseCommand.class);
    ALL.put("move", MoveCommand.class);
    ALL.put("sequence", SequenceCommand.class);
    ALL.put("bench", BenchCommand.class);
    ALL.put("wiring", WiringCommand.class);
    ALL.put("stops", StopsCommand.class);
    ALL.put("settings", SettingsCommand.class);
    ALL.put("serve", ServeCommand.class);
    ALL.put("scan", ScanCommand.class);
    ALL.put("frame", FrameCommand.class);
    ALL.put("capture", CaptureCommand.class);
    ALL.put("word", WordCommand.class);
    ALL.put("esi", EsiCommand.class);
    ALL.put("export", ExportCommand.class);
    ALL.put("schema", SchemaCommand.class);
    ALL.put("help", CommandLine.HelpCommand.class);
  }

  private Verbs() {}

  /** The verb that the first argument is; every verb where it is none, or asks for help on one. */
  static List<Class<?>> called(String... arguments) {
    Class<?> one = arguments.length == 0 ? null : ALL.get(arguments[0]);
    return one == null || one == CommandLine.HelpCommand.class
        ? List.copyOf(ALL.values())
        : List.of(one);
  }

  /** Every verb's name, in the order they are listed. */
  static List<String> names() {
    return List.copyOf(ALL.keySet());
  }
}
