package unimotus.workbench.live;

import java.util.ArrayList;
import java.util.List;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.motion.ServoAxis;
import unimotus.devices.ethercat.mailbox.Aborted;
import unimotus.devices.ethercat.station.ServoDevice;
import unimotus.formats.sheet.SheetLibrary;

/** The stand-ins of a line, its slicer drive commanded cycle by cycle on a clock that is held. */
final class ServoRig implements AutoCloseable {
  private final StationStandIns ring;
  private long nanos;

  ServoRig(Project project) throws Exception {
    ring =
        StationStandIns.start(
            project, SheetLibrary.catalogue(), StationStandIns.udp(0), () -> nanos);
  }

  @Override
  public void close() throws Exception {
    ring.close();
  }

  StationStandIns ring() {
    return ring;
  }

  ServoDevice servo() {
    return (ServoDevice) ring.stations().get(1).station().device();
  }

  static void put(ServoDevice servo, int index, long value, int size) throws Aborted {
    byte[] bytes = new byte[size];
    for (int i = 0; i < size; i++) {
      bytes[i] = (byte) (value >> 8 * i);
    }
    servo.objects().write(index, 0, bytes);
  }

  /** Lets time go by, as the clock of the drive tells it, a second at most at once. */
  void pass(double seconds) {
    for (double gone = 0; gone < seconds; gone += 0.1) {
      nanos += 100_000_000;
      servo().axes().forEach(a -> a.state());
    }
  }

  void enable(int base) throws Aborted {
    for (int word : new int[] {0x06, 0x07, 0x0F}) {
      put(servo(), 0x6040 + base, word, 2);
      nanos += 2_000_000;
    }
    // The brake of the vertical axis opens in 60 ms.
    nanos += 100_000_000;
  }

  static AxisAssembly assembly(Project project, String id) {
    return AxisAssembly.of(project, SheetLibrary.catalogue(), project.axis(id).orElseThrow())
        .orElseThrow();
  }

  static ServoAxis axis(Project project, String id) {
    return ServoAxis.of(assembly(project, id)).orElseThrow();
  }

  /** Runs the planned moves in cycles of 1 ms and gives the counts that are shown. */
  List<Double> counts(int at, ServoAxis axis, double countsPerUnit) throws Aborted {
    int base = 0x800 * at;
    put(servo(), 0x607A + base, Math.round(axis.plan().from() * countsPerUnit), 4);
    enable(base);
    List<Double> counts = new ArrayList<>();
    double end = axis.plan().seconds() + 0.3;
    for (int k = 0; k * 0.001 < end; k++) {
      long target = Math.round(axis.plan().at(k * 0.001).position() * countsPerUnit);
      put(servo(), 0x607A + base, target, 4);
      servo().outputsCame();
      nanos += 1_000_000;
      counts.add(servo().axes().get(at).position());
    }
    return counts;
  }

  /** As counts, in the travel unit of the axis. */
  List<Double> run(int at, ServoAxis axis, double countsPerUnit) throws Aborted {
    double real = axis.machine().signedCountsPerUnit();
    return counts(at, axis, countsPerUnit).stream().map(c -> c / real).toList();
  }
}
