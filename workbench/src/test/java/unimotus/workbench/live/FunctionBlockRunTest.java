package unimotus.workbench.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import unimotus.core.fieldbus.LinkWatch;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.machine.Project;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.ManualWords;
import unimotus.core.profile.ManualWords.ControlBit;
import unimotus.core.profile.ManualWords.ControlMeaning;
import unimotus.core.profile.ManualWords.StatusBit;
import unimotus.core.profile.ManualWords.StatusMeaning;
import unimotus.core.profile.WordProfile;
import unimotus.core.program.FunctionBlock;
import unimotus.core.program.LinkProgram;
import unimotus.devices.registers.DriveRegisters;
import unimotus.formats.sheet.SheetLibrary;

/**
 * The function block that is written, run statement by statement in another language against the
 * stand-in, over another client library: start, speed, fault, lock, reset, stop, lost link.
 */
class FunctionBlockRunTest {
  /** The statements in use, told in Python; timers and edges by IEC 61131-3 (from memory). */
  private static final String RUNNER =
      """
      import re, sys, time
      from pymodbus.client import ModbusTcpClient

      class TON:
          def __init__(self): self.since, self.Q = None, False
          def __call__(self, IN, PT):
              if not IN: self.since = None
              elif self.since is None: self.since = time.monotonic()
              self.Q = self.since is not None and time.monotonic() - self.since >= PT
      class TP:
          def __init__(self): self.until, self.Q, self.was = 0, False, False
          def __call__(self, IN, PT):
              now = time.monotonic()
              if IN and not self.was and now >= self.until: self.until = now + PT
              self.was, self.Q = IN, now < self.until

      def expression(text):
          text = re.sub(r'16#([0-9A-F]+)', r'0x\\1', text)
          text = re.sub(r'T#(\\d+)ms', r'(\\1 / 1000)', text)
          for iec, other in (('<>', '!='), ('AND', '&'), ('OR', '|'), ('NOT', 'not'),
                             ('TRUE', 'True'), ('FALSE', 'False')):
              text = re.sub(r'(?<![A-Za-z_])' + re.escape(iec) + r'(?![A-Za-z_])', other, text)
          return re.sub(r'(?<![:<>!=])=(?!=)', '==', text)

      def translated(lines):
          depth, out = 0, []
          put = lambda s: out.append('    ' * depth + s)
          for line in lines:
              line = re.sub(r'\\(\\*.*?\\*\\)', '', line).strip()
              if not line: continue
              if line.startswith('IF '): put('if %s:' % expression(line[3:-5])); depth += 1
              elif line.startswith('ELSIF '):
                  depth -= 1; put('elif %s:' % expression(line[6:-5])); depth += 1
              elif line == 'END_IF;': put('pass'); depth -= 1
              elif re.match(r'\\w+\\(', line):
                  name, args = line[:-2].split('(', 1)
                  args = [expression(a) for a in args.split(', ')]
                  put('%s(%s)' % (name, ', '.join(a.replace(':==', '=') for a in args)))
              else:
                  name, value = line[:-1].split(' := ')
                  put('%s = %s' % (name, expression(value)))
          return '\\n'.join(out)

      def fitting(text):
          # NOT takes one operand; within AND and OR the words here are whole comparisons
          return re.sub(r'not (\\w+(?:\\.\\w+)?)', r'(not \\1)', text)

      source = sys.stdin.read().split('\\n')
      block = compile(fitting(translated(source)), 'block', 'exec')
      port, unit, control, reference, status, output, speed, expected = (
          int(sys.argv[1]), int(sys.argv[2]), int(sys.argv[3]), int(sys.argv[4]),
          int(sys.argv[5]), int(sys.argv[6]), float(sys.argv[7]), float(sys.argv[8]))
      client = ModbusTcpClient('127.0.0.1', port=port, timeout=2)
      client.connect()
      v = dict(Run=False, Backward=False, Reset=False, Speed=0.0, Answered=False, StatusWord=0,
               OutputRaw=0, ControlWord=0, ReferenceRaw=0, Locked=False,
               Seen=False, RunBefore=True, ResetBefore=True, RanBefore=False, Started=False,
               Sent=False, ActualHertz=0.0, Silence=TON(), StartWatch=TON(), ResetPulse=TP(),
               ResetGap=TP(), REAL_TO_UINT=lambda x: int(round(x)),
               LIMIT=lambda mn, x, mx: min(max(x, mn), mx),
               REAL_TO_INT=lambda x: int(round(x)), INT_TO_REAL=float)
      def scan(linked=True):
          v['Answered'] = False
          if linked:
              client.write_register(reference, v['ReferenceRaw'] & 0xFFFF, slave=unit)
              client.write_register(control, v['ControlWord'], slave=unit)
              s = client.read_input_registers(status, 1, slave=unit)
              o = client.read_input_registers(output, 1, slave=unit)
              v['Answered'] = not s.isError() and not o.isError()
              v['StatusWord'] = s.registers[0]
              raw = o.registers[0]
              v['OutputRaw'] = raw - 65536 if raw > 32767 else raw
          exec(block, v)
          time.sleep(0.01)
      def until(what, seconds=8, linked=True):
          end = time.monotonic() + seconds
          while time.monotonic() < end:
              scan(linked)
              if what(): return
          raise SystemExit('not reached: ' + str({k: v[k] for k in
              ('StatusWord', 'ControlWord', 'Running', 'Faulted', 'Ready', 'Locked', 'LinkLost',
               'ActualHertz', 'Hertz')}))
      for _ in range(20): scan()
      assert not v['Running'], 'runs without a command'
      v['Run'], v['Speed'] = True, speed
      until(lambda: v['Running'])
      until(lambda: v['ActualHertz'] > 1)
      assert abs(v['Hertz'] - expected) < 0.02, v['Hertz']
      print('started'); sys.stdout.flush()
      print('provoke'); sys.stdout.flush()
      until(lambda: v['Faulted'])
      v['Reset'] = True
      until(lambda: not v['Faulted'])
      v['Reset'] = False
      for _ in range(60): scan()
      assert v['Locked'] and not v['Running'], 'starts by itself after a fault'
      v['Run'] = False
      scan(); scan()
      v['Run'] = True
      until(lambda: v['Running'])
      print('reset')
      until(lambda: v['LinkLost'], linked=False)
      scan(); scan(); scan()
      for _ in range(30): scan()
      assert v['Locked'], 'not locked after a lost link'
      until(lambda: not v['Running'])
      v['Run'] = False
      scan(); scan()
      v['Run'], v['Backward'] = True, True
      until(lambda: v['Running'] and v['ActualHertz'] < -0.5, seconds=12)
      v['Run'] = False
      until(lambda: not v['Running'])
      print('stopped')
      """;

  static final ManualWords WORDS =
      new ManualWords(
          List.of(
              new ControlBit(4, ControlMeaning.RUN, "go"),
              new ControlBit(5, ControlMeaning.REVERSE, "back"),
              new ControlBit(9, ControlMeaning.RESET, "clear"),
              new ControlBit(15, ControlMeaning.ALWAYS_SET, "link")),
          List.of(
              new StatusBit(2, StatusMeaning.RUNNING, ""),
              new StatusBit(6, StatusMeaning.FAULT, "")));

  /** A bit for each direction. */
  static final ManualWords TWO_WAYS =
      new ManualWords(
          List.of(
              new ControlBit(0, ControlMeaning.RUN, "forward"),
              new ControlBit(1, ControlMeaning.RUN_REVERSE, "reverse"),
              new ControlBit(2, ControlMeaning.RESET, "clear")),
          WORDS.status());

  static List<Arguments> profiles() {
    return List.of(
        Arguments.of(DriveProfiles.CIA_402_VELOCITY),
        Arguments.of(DriveProfiles.CIA_402_PROFILE_VELOCITY),
        Arguments.of(DriveProfiles.RUN_AND_STOP),
        Arguments.of(WORDS.profile()),
        Arguments.of(TWO_WAYS.profile()));
  }

  private static FunctionBlock block(WordProfile profile) {
    return LinkProgram.block(
        Buses.drum(Buses.with(f -> f)), DriveRegisters.map(), profile, new LinkWatch(0.05, 0.01));
  }

  private static void pymodbus() throws Exception {
    boolean there =
        new ProcessBuilder("/usr/bin/python3", "-c", "from pymodbus.client import ModbusTcpClient")
                .start()
                .waitFor()
            == 0;
    if (!there) {
      System.err.println("NOT CHECKED: python3-pymodbus is missing, no function block was run");
    }
    assumeTrue(there);
  }

  /** Four metres a minute of 25 are a sixth of 50 Hz: 8 Hz (the drum's reference). */
  @ParameterizedTest
  @MethodSource("profiles")
  void theBlockDrivesTheStandIn(WordProfile profile) throws Exception {
    pymodbus();
    try (StandIns standIns =
        StandIns.start(
            Buses.with(f -> f),
            SheetLibrary.catalogue(),
            StandIns.tcp(0),
            profile,
            System::nanoTime)) {
      String port = standIns.server().route().toString().replaceAll(".*:", "");
      Process python =
          new ProcessBuilder(
                  "/usr/bin/python3", "-c", RUNNER, port, "1", "0", "1", "0", "1", "4", "8")
              .redirectErrorStream(true)
              .start();
      python.getOutputStream().write(block(profile).statements().getBytes(StandardCharsets.UTF_8));
      python.getOutputStream().close();
      List<String> said = new ArrayList<>();
      python
          .inputReader()
          .lines()
          .forEach(
              line -> {
                said.add(line);
                if (line.equals("provoke")) {
                  standIns.units().get(0).unit().drive().provoke(5);
                }
              });
      assertThat(python.waitFor(60, TimeUnit.SECONDS)).isTrue();
      assertThat(said).containsExactly("started", "provoke", "reset", "stopped");
    }
  }

  @Test
  void everyNumberSaysWhereItComesFrom() {
    String text = block(DriveProfiles.CIA_402_VELOCITY).text();
    assertThat(text)
        .contains("IEC 61800-7-201 (from memory)")
        .contains("25 m/min is 50 Hz: reference of the axis")
        .contains("holding register 1 = 40002, frequency reference, one step 0.01 Hz")
        .contains("input register 0 = 30001, status word")
        .contains("(* ready to switch on: switch on *)")
        .contains("PT := T#200ms")
        .contains("no stop circuit");
    assertThat(text.lines().filter(l -> l.contains(" : ")))
        .allMatch(l -> l.contains("(*") && l.endsWith("*)"));
  }

  /** 50 Hz are 100 %, 100 % are 0x4000: 327.68 steps a hertz; a float needs no conversion. */
  @Test
  void percentAndFloatsAreScaled() {
    String text =
        LinkProgram.block(
                Buses.drum(Buses.with(f -> f.withUnit(12))),
                Buses.OWN,
                DriveProfiles.RUN_AND_STOP,
                new LinkWatch(0.05, 0.01))
            .text();
    assertThat(text)
        .contains("over a register fieldbus, unit 12")
        .contains("ReferenceRaw : INT;")
        .contains("OutputRaw : REAL;")
        .contains("ActualHertz := OutputRaw * 1.0;")
        .contains("Raw := LIMIT(-16384.0, Hertz * 327.68, 16384.0);")
        .contains("Hertz := LIMIT(0.0, Speed * 2.0, 50.0);")
        .contains("ControlWord := ControlWord OR 16#0002;")
        .contains("input register 200 = 30201, output frequency");
  }

  @Test
  void aMapWithoutWordsGivesNoBlock() {
    Project project = Buses.with(f -> f);
    RegisterMap without = new RegisterMap(Buses.OWN.entries().subList(1, 6));
    assertThatThrownBy(
            () ->
                LinkProgram.block(
                    Buses.drum(project),
                    without,
                    DriveProfiles.RUN_AND_STOP,
                    new LinkWatch(0.05, 0)))
        .hasMessageContaining("Rinse drum")
        .hasMessageContaining("'control word'");
  }
}
