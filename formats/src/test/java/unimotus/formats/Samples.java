package unimotus.formats;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import unimotus.core.esi.StartUpCommand;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterPlace;
import unimotus.core.fieldbus.RegisterTable;
import unimotus.core.fieldbus.WordOrder;
import unimotus.core.machine.Answer;
import unimotus.core.machine.Axis;
import unimotus.core.machine.BoardPlace;
import unimotus.core.machine.Borrowing;
import unimotus.core.machine.BusStation;
import unimotus.core.machine.CableLaying;
import unimotus.core.machine.Condition;
import unimotus.core.machine.ConductorSize;
import unimotus.core.machine.Controller;
import unimotus.core.machine.Drive;
import unimotus.core.machine.DrivePlate;
import unimotus.core.machine.DriveRecord;
import unimotus.core.machine.FaultExclusion;
import unimotus.core.machine.Feed;
import unimotus.core.machine.FieldbusLink;
import unimotus.core.machine.Intent;
import unimotus.core.machine.Load;
import unimotus.core.machine.LocalReference;
import unimotus.core.machine.Mechanics;
import unimotus.core.machine.MotionDesign;
import unimotus.core.machine.Motor;
import unimotus.core.machine.Part;
import unimotus.core.machine.PlacedSwitch;
import unimotus.core.machine.Probe;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reading;
import unimotus.core.machine.Reference;
import unimotus.core.machine.Response;
import unimotus.core.machine.SafetyNote;
import unimotus.core.machine.SequenceDesign;
import unimotus.core.machine.Shield;
import unimotus.core.machine.Snapshot;
import unimotus.core.machine.StepDesign;
import unimotus.core.machine.StopApproach;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.StopTrigger;
import unimotus.core.machine.StopUse;
import unimotus.core.machine.SwitchUse;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Transmission;
import unimotus.core.machine.Tuning;
import unimotus.core.machine.Wire;
import unimotus.core.machine.WireMake;
import unimotus.core.move.MoveLimits;
import unimotus.core.move.MoveSequence;
import unimotus.core.move.MoveStep;
import unimotus.core.move.TravelRange;
import unimotus.core.positioning.PositioningDesign;
import unimotus.core.positioning.PositioningWords;
import unimotus.core.positioning.TablePosition;
import unimotus.core.profile.ManualWords;
import unimotus.core.profile.ManualWords.ControlBit;
import unimotus.core.profile.ManualWords.ControlMeaning;
import unimotus.core.profile.ManualWords.StatusBit;
import unimotus.core.profile.ManualWords.StatusMeaning;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.scaling.AxisScaling;
import unimotus.core.servo.LoopGains;
import unimotus.core.sheet.CoilConnection;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.SettingValue;
import unimotus.core.value.Access;
import unimotus.core.value.DriveValue;
import unimotus.core.value.Limits;
import unimotus.core.value.Scaling;
import unimotus.core.value.ValueRole;
import unimotus.core.value.ValueType;

/** A project with something of everything. */
final class Samples {
  private Samples() {}

  /** A copy that was read and one that was not, every kind of step, limits and gains. */
  private static MotionDesign motion() {
    AxisScaling read =
        new AxisScaling(
            8_388_608,
            1,
            457,
            5,
            new BigDecimal("188.4955592"),
            3,
            MeasureUnit.MILLIMETRE,
            true,
            MeasureUnit.MINUTE_UNIT);
    return new MotionDesign(
        2,
        read,
        null,
        AxisScaling.direct(131_072, new BigDecimal("360"), MeasureUnit.DEGREE),
        TravelRange.between(-5, 650.5),
        new MoveSequence(
            1.5,
            new MoveLimits(200, 1000, 1500, 20_000),
            List.of(
                new MoveStep.Absolute(100),
                new MoveStep.Incremental(-20),
                new MoveStep.Jog(-5, 0.5),
                new MoveStep.Dwell(0.25)),
            3),
        0.002,
        new Transmission(8, 150, 0.001),
        new LoopGains(30, 0.05, 0.02, 0.5),
        new PositioningDesign(
            List.of(
                new TablePosition(new MoveStep.Absolute(250), 100),
                new TablePosition(new MoveStep.Incremental(-5), 0)),
            PositioningWords.USUAL.withNumber(9, 4)),
        new StepDesign(
            CoilConnection.SERIES,
            36,
            500,
            24,
            12.5,
            List.of(
                new PlacedSwitch("k1", SwitchUse.HOME, -3, 0.5),
                new PlacedSwitch("k2", SwitchUse.LOW_END, -20, -12))));
  }

  private static SequenceDesign sequence() {
    return new SequenceDesign(
        "a",
        "Feed",
        "jog back until home within 20 s\n5 mm; valve on until tied",
        Map.of("home", new TerminalRef("plc", "DI1"), "valve", new TerminalRef("plc", "DO2")),
        List.of(new Response("k1", "k2", 0.4, 0.25)));
  }

  static Project project(String name) {
    Reference reference = new Reference("AO0", "AI2", 0, 25, 0, 50, 27648, 0.05);
    Answer answer = new Answer("AO1", "AI0", 25, 27648);
    Load load = new Load(3, 1, 0.5, 0.25, 0.9);
    return new Project(
        name,
        List.of(
            new Controller(
                "plc", "Controller", "controller-modular", Map.of("AO0.range", "4-20 mA"))),
        List.of(
            new Drive(
                "drive",
                "Drive ü",
                "terminal-drive-4kw",
                Map.of("inputs", "source"),
                Map.of(
                    "L21",
                    new SettingValue.Number(50.5),
                    "C40",
                    new SettingValue.Choice("terminals")))),
        List.of(new Part("k1", "Enable relay", "relay-two-changeover", Map.of())),
        List.of(
            new Motor(
                "motor", "Motor", new InductionPlate(4000, 400, 8.05, 50, 1456, 0.81, 1, 0.0135))),
        List.of(
            new Axis(
                "a",
                "Drum",
                "note",
                "plc",
                "drive",
                "motor",
                reference,
                answer,
                new Mechanics.Drum(20, 0.5),
                load,
                "washing",
                motion()),
            new Axis(
                "b",
                "Screw",
                "",
                "plc",
                null,
                null,
                reference,
                new Answer(null, null, 25, 27648),
                new Mechanics.Screw(1, 0.005),
                load),
            new Axis(
                "c",
                "Fan",
                "",
                null,
                null,
                null,
                reference.withTerminals(null, "AI1").withLocal(LocalReference.POTENTIOMETER),
                answer,
                new Mechanics.Turning(1),
                load),
            new Axis(
                "d",
                "Ties",
                "",
                null,
                null,
                null,
                reference,
                answer,
                new Mechanics.Counting(3, 2, "ties"),
                load)),
        List.of(
            new Wire("w1", new TerminalRef("plc", "DO0"), new TerminalRef("drive", "DI1")),
            new Wire(
                "W7.2",
                new TerminalRef("plc", "AO0"),
                new TerminalRef("drive", "AI2"),
                new WireMake(
                    ConductorSize.awg(18), 12.5, "white", "W7", "2", Shield.PANEL_END, "speed"))),
        List.of(
            new Intent(
                "a",
                new TerminalRef("drive", "DI1"),
                Meaning.RUN_FORWARD,
                List.of(new Condition("plc", "DO0"), new Condition("k1", "energised")))),
        List.of(
            new Probe(
                "m1",
                "a",
                Probe.Quantity.VOLTS,
                new TerminalRef("drive", "DI1"),
                new TerminalRef("drive", "COM"),
                null,
                List.of(new TerminalRef("plc", "DO0")),
                Map.of("plc:AO0", 12.0),
                Map.of("drive", "running"))),
        List.of(
            new StopFunction(
                "guard",
                "Guard",
                "a",
                StopTrigger.GUARD_SWITCH,
                StopLogic.RELAY_CONTACTORS,
                StopEffect.CONTACTORS,
                List.of("k1"),
                "k2",
                "s3",
                List.of("k4"),
                true,
                false,
                410,
                new StopUse(
                    new StopUse.Rhythm(2, 16, 220),
                    new StopUse.Risk(true, true, false),
                    List.of("diversity"),
                    Map.of("k1", 2e6),
                    new StopApproach(StopApproach.Kind.FIELD, 50, 3, 300, 0.5, true, 500),
                    new StopUse.Tests(200, 0.9, 6),
                    List.of(new FaultExclusion("w37", "SHORT_TO_24V", "inside the panel", "me"))))),
        List.of(
            new DriveRecord(
                "drive",
                new DrivePlate("-N", "2.14", List.of("keypad for the door"), true),
                new Feed(230, 3, CableLaying.TRAY, 12, 30, false),
                Map.of("L21", "the pump may turn faster"),
                List.of(
                    new Snapshot(
                        Snapshot.Kind.AS_FOUND,
                        "2026-01-02T03:04:05Z",
                        "me",
                        "found.csv",
                        Map.of(
                            "L21",
                            new SettingValue.Number(50),
                            "C40",
                            new SettingValue.Choice("keypad")))),
                List.of(
                    new Borrowing(
                        "jog on the bench",
                        "me",
                        "2026-01-02T03:04:05Z",
                        Map.of("C40", new SettingValue.Choice("terminals")),
                        Map.of("C40", new SettingValue.Choice("keypad")),
                        null,
                        null)),
                new Tuning(
                    "me", "2026-01-02T03:04:05Z", Map.of("M12", new SettingValue.Number(8.05))),
                new FieldbusLink(
                    3,
                    ManualWords.NAME,
                    new ManualWords(
                        List.of(new ControlBit(0, ControlMeaning.RUN, "start")),
                        List.of(new StatusBit(2, StatusMeaning.RUNNING, ""))),
                    List.of(
                        new RegisterEntry(
                            new DriveValue(
                                "reference",
                                ValueRole.REFERENCE,
                                ValueType.SIGNED_16,
                                Scaling.of(0.01, "Hz"),
                                new Limits(-50, 50),
                                Access.READ_WRITE),
                            new RegisterPlace(
                                RegisterTable.HOLDING_REGISTER, 1, WordOrder.CDAB, "command")))))),
        List.of(
            new SafetyNote(
                "a",
                SafetyNote.Kind.BYPASS,
                "guard tied back for the jog",
                "me",
                "2026-01-02T03:04:05Z",
                "me",
                "2026-01-02T04:04:05Z")),
        List.of(
            new Reading(
                "a",
                "ref50.frequency",
                25.1,
                null,
                "display",
                "2026-01-02T03:04:05Z",
                "me",
                Map.of("DRIVE", "abc")),
            new Reading(
                "a",
                "direction.jog",
                null,
                "forward",
                "eyes",
                "2026-01-02T03:04:05Z",
                "me",
                Map.of(),
                "seen from the drive end",
                "photos/direction.jpg")),
        List.of(
            new BoardPlace("drive", BoardPlace.Side.LEFT),
            new BoardPlace("plc", BoardPlace.Side.RIGHT)),
        List.of(
            new BusStation(
                "s1",
                "Coupler",
                "CP-4",
                0xFFFF0001L,
                0x301,
                0x10000,
                0,
                List.of(),
                null,
                List.of(),
                ""),
            new BusStation(
                "s2",
                "Drive",
                "FD-1",
                0xFFFF0001L,
                0x101,
                0x10000,
                7,
                List.of(0x308L, 0L),
                List.of(0x1601, 0x1A01),
                List.of(StartUpCommand.number("PS", 0x6060, 0, 2, 1, "velocity")),
                "drive")),
        List.of(sequence()),
        null);
  }
}
