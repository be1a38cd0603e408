package unimotus.benchmarks;

import java.nio.charset.StandardCharsets;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.settings.DriveMemory;
import unimotus.core.settings.EntrySheet;
import unimotus.core.settings.Journey;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.NumberSetting;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingValue;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.formats.json.FileFault;
import unimotus.formats.settings.SettingCsv;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;

/** Set up: every setting derived and put in order anew, and a list of two thousand lines read. */
@State(Scope.Thread)
@BenchmarkMode({Mode.SampleTime, Mode.SingleShotTime})
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class SettingsBenchmark {
  private static final int LINES = 2000;

  private AxisAssembly drum;
  private DriveSheet sheet;
  private byte[] list;
  private double seconds = 8;

  /** The rinse drum, every number changed so that the way is long. */
  @Setup
  public void build() {
    Project demo = Demo.project();
    SheetCatalogue sheets = SheetLibrary.catalogue();
    drum = AxisAssembly.of(demo, sheets, demo.axis("rinse-drum").orElseThrow()).orElseThrow();
    sheet = drum.driveSheet();
    for (SettingDefinition setting : sheet.settings()) {
      if (setting instanceof NumberSetting number) {
        drum =
            drum.with(
                drum.drive().withSetting(number.code(), new SettingValue.Number(number.maximum())));
      }
    }
    StringBuilder text = new StringBuilder("code,value,unit\n");
    for (int i = 0; i < LINES; i++) {
      text.append(i < sheet.settings().size() ? sheet.settings().get(i).code() : "X" + i);
      text.append(",1,\n");
    }
    list = text.toString().getBytes(StandardCharsets.UTF_8);
  }

  /** One setting changed, everything derived and put in order again. */
  @Benchmark
  public Journey oneChange() {
    seconds = seconds == 8 ? 9 : 8;
    AxisAssembly next =
        drum.with(drum.drive().withSetting("R30", new SettingValue.Number(seconds)));
    return Journey.of(next, DriveMemory.works(next.driveSheet()), EntrySheet.Way.KEYPAD);
  }

  /** A list of two thousand lines, most of them of another drive. */
  @Benchmark
  public SettingCsv.Read list() throws FileFault {
    return SettingCsv.read("list.csv", list, sheet);
  }
}
