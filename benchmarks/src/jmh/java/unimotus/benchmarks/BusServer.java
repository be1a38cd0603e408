package unimotus.benchmarks;

import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.Map;
import unimotus.core.bench.BenchSetup;
import unimotus.core.motion.ShaftLoad;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.sheet.Plate;
import unimotus.devices.drive.DriveRegisters;
import unimotus.devices.drive.DriveUnit;
import unimotus.devices.modbus.RegisterBank;
import unimotus.devices.modbus.TcpStandIn;
import unimotus.devices.modbus.Unit;

/** Stand-ins to be measured from outside: a plain bank, or drives with motor and load. */
public final class BusServer {
  private BusServer() {}

  /** {@code PORT bank SECONDS} or {@code PORT DRIVES SECONDS}. */
  public static void main(String[] args) throws IOException, InterruptedException {
    Map<Integer, Unit> units =
        args[1].equals("bank")
            ? Map.of(1, new RegisterBank(100, Map.of()))
            : drives(Integer.parseInt(args[1]));
    try (TcpStandIn standIn = TcpStandIn.start(Integer.parseInt(args[0]), units)) {
      System.out.println("listening on " + standIn.port());
      Thread.sleep(1000L * Integer.parseInt(args[2]));
    }
  }

  static Map<Integer, Unit> drives(int count) {
    Plate plate = new Plate(750, 400, 2.05, 50, 930, 0.72, 1, 0.0025);
    ShaftLoad load = new ShaftLoad(0.005, 1, 0, 0);
    Map<Integer, Unit> units = new LinkedHashMap<>();
    for (int unit = 1; unit <= count; unit++) {
      BenchSetup setup =
          new BenchSetup(h -> Math.min(h, 50), 50, 50, 2, 2, true, false, plate, 15, load);
      units.put(
          unit,
          new DriveUnit(
              setup,
              DriveProfiles.CIA_402_VELOCITY,
              DriveRegisters.map(),
              "drive",
              System::nanoTime));
    }
    return units;
  }
}
