package unimotus.core.proof;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.EnumMap;
import java.util.HexFormat;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.Answer;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Drive;
import unimotus.core.machine.DrivePlate;
import unimotus.core.machine.Feed;
import unimotus.core.machine.Load;
import unimotus.core.machine.Mechanics;
import unimotus.core.machine.Reference;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.sheet.MotorPlate;
import unimotus.core.sheet.SettingValue;

/**
 * A short digest of each part of a design. Names and notes are left out: renaming a drive does not
 * make its proof stale.
 *
 * @param byPart the digest of each part
 * @param programWithPresets the program's as it was made before presets had a part of their own
 */
public record DesignDigest(Map<Part, String> byPart, String programWithPresets) {
  private static final int DIGITS = 12;

  /** Takes a copy. */
  public DesignDigest {
    byPart = Map.copyOf(byPart);
  }

  /**
   * The digest of an axis as it is designed now.
   *
   * @param ways what the ways of command read of it beside the common parts
   */
  public static DesignDigest of(AxisAssembly axis, Map<Part, String> ways) {
    Map<Part, String> texts = new EnumMap<>(Part.class);
    FormerText former = new FormerText(axis);
    texts.put(Part.CONTROLLER, former.controller());
    texts.put(Part.PROGRAM, program(axis.axis().reference(), axis.axis().answer(), former));
    texts.put(Part.PRESETS, "");
    texts.put(Part.WIRES, wires(axis, former));
    texts.put(Part.DRIVE, drive(axis.drive()));
    texts.put(Part.MOTOR, plate(axis.motor().plate()));
    texts.put(Part.MECHANICS, mechanics(axis.axis().mechanics(), axis.axis().load()));
    texts.put(Part.STOP, stops(axis));
    texts.put(Part.POWER, power(axis));
    ways.forEach((part, text) -> texts.merge(part, text, String::concat));
    Map<Part, String> digests = new EnumMap<>(Part.class);
    texts.forEach((part, text) -> digests.put(part, digest(text)));
    return new DesignDigest(digests, digest(texts.get(Part.PROGRAM) + texts.get(Part.PRESETS)));
  }

  /** The digests by part name, as a reading keeps them. */
  public Map<String, String> asBasis() {
    Map<String, String> basis = new TreeMap<>();
    byPart.forEach((part, digest) -> basis.put(part.name(), digest));
    return basis;
  }

  /** Whether a part is what it was when a reading with this basis was taken. */
  public boolean isUnchanged(Part part, Map<String, String> basis) {
    boolean together = part == Part.PROGRAM || part == Part.PRESETS;
    return Objects.equals(byPart.get(part), basis.get(part.name()))
        || (together && programWithPresets.equals(basis.get(Part.PROGRAM.name())));
  }

  // Every number is named here one by one: a record that gains a component must not make all the
  // evidence of earlier versions stale.

  private static String program(Reference r, Answer a, FormerText former) {
    return joined(
        former.channel(r.output()),
        former.driveTerminal(r.input()),
        r.speedAtZero(),
        r.speedAtFull(),
        r.frequencyAtZeroHertz(),
        r.frequencyAtFullHertz(),
        r.programFullScaleCounts(),
        former.driveTerminal(a.output()),
        former.channel(a.input()),
        a.speedAtFull(),
        a.programFullScaleCounts());
  }

  private static String wires(AxisAssembly axis, FormerText former) {
    return axis.wires().stream().map(w -> wire(w, former)).sorted().toList() + parts(axis);
  }

  /** Length and size of a wire shape what arrives; its colour and name do not. */
  private static String wire(Wire wire, FormerText former) {
    String ends = former.end(wire.from()) + "–" + former.end(wire.to());
    return wire.make().lengthMetres() == 0
        ? ends
        : joined(ends, wire.make().size(), wire.make().lengthMetres());
  }

  private static String parts(AxisAssembly axis) {
    StringBuilder text = new StringBuilder();
    axis.parts()
        .forEach(p -> text.append(joined(p.part().id(), p.part().sheet(), p.part().selectors())));
    return text.toString();
  }

  private static String drive(Drive drive) {
    StringBuilder text = new StringBuilder(drive.sheet()).append(drive.selectors());
    drive.settings().forEach((code, value) -> text.append(code).append('=').append(text(value)));
    return text.toString();
  }

  private static String text(SettingValue value) {
    return value instanceof SettingValue.Number n
        ? Double.toString(n.value())
        : ((SettingValue.Choice) value).value();
  }

  private static String plate(MotorPlate plate) {
    return plate instanceof InductionPlate induction ? plate(induction) : plate.toString();
  }

  private static String plate(InductionPlate p) {
    return joined(
        p.powerWatts(),
        p.voltageVolts(),
        p.currentAmperes(),
        p.frequencyHertz(),
        p.speedRpm(),
        p.powerFactor(),
        p.serviceFactor(),
        p.inertiaKgM2());
  }

  private static String power(AxisAssembly axis) {
    DrivePlate plate = axis.record().plate();
    Feed feed = axis.feed();
    return joined(
        axis.driveSheet().id(),
        plate.suffix(),
        plate.firmware(),
        plate.modules(),
        feed.mainsVolts(),
        feed.phases(),
        feed.method(),
        feed.supplyMetres(),
        feed.motorMetres(),
        feed.shieldedMotorCable());
  }

  private static String mechanics(Mechanics m, Load l) {
    return joined(
        m.gearRatio(),
        m.unitsPerTurn(),
        m.unit(),
        l.inertiaKgM2(),
        l.constantNewtonMetres(),
        l.linearNewtonMetresPerRpm(),
        l.quadraticNewtonMetresPerRpm2(),
        l.gearEfficiency());
  }

  /** What a stop is and does; how often it is used and its risk do not change what is seen. */
  private static String stops(AxisAssembly axis) {
    StringBuilder text = new StringBuilder();
    for (StopFunction s : axis.stops()) {
      text.append(
          joined(
              s.id(),
              s.trigger(),
              s.logic(),
              s.effect(),
              s.triggers(),
              s.relay(),
              s.resetButton(),
              s.contactors(),
              s.verticalLoad(),
              s.holdingBrake()));
    }
    return text.toString();
  }

  private static String joined(@Nullable Object... values) {
    StringBuilder text = new StringBuilder();
    for (Object value : values) {
      text.append(value).append(';');
    }
    return text.toString();
  }

  private static String digest(String text) {
    try {
      byte[] hash =
          MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8));
      return HexFormat.of().formatHex(hash).substring(0, DIGITS);
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every Java platform has SHA-256", e);
    }
  }
}
