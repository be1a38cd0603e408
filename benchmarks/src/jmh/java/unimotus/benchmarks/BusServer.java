package unimotus.benchmarks;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import unimotus.core.bench.BenchSetup;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.fieldbus.RegisterTable;
import unimotus.core.motion.ShaftLoad;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.sheet.InductionPlate;
import unimotus.devices.modbus.RegisterBank;
import unimotus.devices.modbus.TcpStandIn;
import unimotus.devices.modbus.Unit;
import unimotus.devices.registers.DriveRegisters;
import unimotus.devices.registers.DriveUnit;

/** Stand-ins to be measured from outside: a plain bank, or drives with motor and load. */
public final class BusServer {
  private BusServer() {}

  /** {@code PORT bank SECONDS}, {@code PORT ten SECONDS} or {@code PORT DRIVES SECONDS}. */
  public static void main(String[] args) throws IOException, InterruptedException {
    Map<Integer, Unit> units =
        switch (args[1]) {
          case "bank" -> Map.of(1, new RegisterBank(100, Map.of()));
          case "ten" -> Map.of(1, drive(tenRegisters()));
          default -> drives(Integer.parseInt(args[1]));
        };
    try (TcpStandIn standIn = TcpStandIn.start(Integer.parseInt(args[0]), units)) {
      System.out.println("listening on " + standIn.port());
      Thread.sleep(1000L * Integer.parseInt(args[2]));
    }
  }

  static Map<Integer, Unit> drives(int count) {
    Map<Integer, Unit> units = new LinkedHashMap<>();
    for (int unit = 1; unit <= count; unit++) {
      units.put(unit, drive(DriveRegisters.map()));
    }
    return units;
  }

  private static DriveUnit drive(RegisterMap map) {
    InductionPlate plate = new InductionPlate(750, 400, 2.05, 50, 930, 0.72, 1, 0.0025);
    ShaftLoad load = new ShaftLoad(0.005, 1, 0, 0);
    BenchSetup setup =
        new BenchSetup(h -> Math.min(h, 50), 50, 50, 2, 2, true, false, plate, 15, load);
    return new DriveUnit(setup, DriveProfiles.CIA_402_VELOCITY, map, "drive", System::nanoTime);
  }

  /** What a drive shows and takes, as ten holding registers side by side. */
  private static RegisterMap tenRegisters() {
    List<RegisterEntry> entries = new ArrayList<>();
    for (DriveRegisters register : DriveRegisters.values()) {
      RegisterEntry e = register.entry();
      int address = entries.isEmpty() ? 0 : entries.get(entries.size() - 1).end();
      entries.add(e.at(e.place().withTable(RegisterTable.HOLDING_REGISTER).withAddress(address)));
    }
    return new RegisterMap(entries);
  }
}
