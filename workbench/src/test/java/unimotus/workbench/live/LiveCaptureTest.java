package unimotus.workbench.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.WordMachine.Intent;
import unimotus.devices.modbus.explain.ExplainedFrame;
import unimotus.devices.registers.DriveRegisters;
import unimotus.devices.registers.RegisterConnection;
import unimotus.devices.registers.Target;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;
import unimotus.workbench.capture.Captures;
import unimotus.workbench.capture.Frame;
import unimotus.workbench.capture.FrameRecorder;

/** A whole session recorded, written as a capture, and read by an independent analyser. */
class LiveCaptureTest {
  @TempDir private Path folder;

  private static List<String> analysed(Path file, String... fields) throws Exception {
    List<String> command =
        new ArrayList<>(List.of("tshark", "-r", file.toString(), "-T", "fields"));
    for (String field : fields) {
      command.add("-e");
      command.add(field);
    }
    Process process = new ProcessBuilder(command).start();
    String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertThat(process.waitFor()).isZero();
    return said.lines().toList();
  }

  @Test
  void theAnalyserSeesTheSameFunctionsUnitsAndTransactions() throws Exception {
    boolean there = Files.isExecutable(Path.of("/usr/bin/tshark"));
    if (!there) {
      System.err.println("NOT CHECKED: tshark is missing, a recorded session was read by nobody");
    }
    assumeTrue(there);
    FrameRecorder recorder = new FrameRecorder(System::nanoTime);
    try (StandIns standIns =
            StandIns.start(
                Demo.project(),
                SheetLibrary.catalogue(),
                StandIns.tcp(0),
                DriveProfiles.CIA_402_VELOCITY,
                System::nanoTime);
        LiveLink link =
            new LiveLink(
                RegisterConnection.to(
                    new Target(standIns.server().route(), 2), DriveRegisters.map(), recorder),
                DriveProfiles.CIA_402_VELOCITY,
                new LiveLink.Times(Clock.systemUTC(), System::nanoTime),
                ReferenceLimit.NONE)) {
      link.identity();
      link.arm("A. Tester");
      link.reference(5);
      link.want(Intent.START_FORWARD);
      link.want(Intent.STOP);
      link.handBack();
    }
    Path file = folder.resolve("session.pcap");
    List<Frame> frames = recorder.frames();
    Captures.write(file, frames);
    List<String> seen = analysed(file, "mbtcp.trans_id", "mbtcp.unit_id", "modbus.func_code");
    List<String> meant = new ArrayList<>();
    for (Frame frame : frames) {
      byte[] bytes = frame.array();
      int transaction = (bytes[0] & 0xFF) << 8 | bytes[1] & 0xFF;
      meant.add("%d\t%d\t%d".formatted(transaction, bytes[6] & 0xFF, bytes[7] & 0x7F));
    }
    assertThat(frames.size()).isGreaterThan(20);
    assertThat(seen).isEqualTo(meant);
    assertThat(analysed(file, "_ws.malformed")).allMatch(String::isBlank);
    assertThat(frames).allMatch(f -> ExplainedFrame.of(f.array(), f.answer()).fault().isEmpty());
    assertThat(Captures.read(file, Captures.MODBUS_PORT).frames())
        .extracting(Frame::bytes)
        .isEqualTo(frames.stream().map(Frame::bytes).toList());
  }
}
