package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import unimotus.core.esi.StartUpCommand;
import unimotus.core.finding.Rule;
import unimotus.core.machine.BusStation;
import unimotus.core.machine.Project;
import unimotus.core.processdata.StartUpOffers;
import unimotus.core.processdata.StationChecks;
import unimotus.core.processdata.StationDesign;
import unimotus.workbench.Edit;
import unimotus.workbench.live.StationStandIns;

/** The process-data bus in the window: the demo's, an empty one, a wrong one, one not described. */
class BusViewTest extends WindowTest {

  private void demo() {
    onWindow(desk::openDemo);
    press("#line-bus");
  }

  private List<String> names() {
    return desk.session().project().stations().stream().map(BusStation::name).toList();
  }

  @Test
  void theStationsHangOnTheCableAndOneIsLookedAt() {
    demo();
    assertThat(shows("CP-4, revision 0x00010000")).isTrue();
    assertThat(shows("alias 12, 24 B out, 24 B in")).isTrue();
    press("#station-dock-coupler");
    assertThat(shows("40 bits, 5 bytes")).isTrue();
    assertThat(shows("72 bits, 9 bytes")).isTrue();
    // Five bits of the first input channel stand in byte 1, its toggle in bit 7 of byte 2.
    assertThat(shows(".4\u00a0padding\u00a0of\u00a011\u00a0bit")).isTrue();
    assertThat(shows(".7\u00a0Toggle\u00a01")).isTrue();
    press("#station-slicer-drive");
    press("#bus-start_up");
    assertThat(shows("None would be refused by its description.")).isTrue();
    assertThat(shows("0x60C2:2")).isTrue();
    assertThat(shows("-3")).as("with the sign the object has").isTrue();
    press("#bus-objects");
    type("#bus-object-search", "velocity");
    assertThat(shows("8 values of")).isTrue();
    type("#bus-object-search", "no such thing");
    assertThat(shows("0 values of")).isTrue();
  }

  @Test
  void stationsAreAddedMovedRenamedAndTakenOutAndAllIsUndone() {
    demo();
    Project before = desk.session().project();
    ComboBox<Object> add = lookup("#bus-add").query();
    interact(() -> add.setValue(add.getItems().get(2)));
    settle();
    assertThat(names()).containsExactly("Dock coupler", "Slicer drive", "Frequency drive");
    press("#station-station-1");
    push(KeyCode.F2);
    settle();
    assertThat(lookup("#station-name").query().isFocused()).isTrue();
    type("#station-name", "Wash pump");
    assertThat(names()).containsExactly("Dock coupler", "Slicer drive", "Wash pump");
    type("#station-alias", "12");
    assertThat(shows("alias 12 is that of Slicer drive")).isTrue();
    type("#station-alias", "99999");
    assertThat(shows("alias 99999 is outside 0 to 65535")).isTrue();
    type("#station-alias", "13");
    press("#station-up");
    assertThat(names()).containsExactly("Dock coupler", "Wash pump", "Slicer drive");
    assertThat(desk.session().project().stations().get(1).alias()).isEqualTo(13);
    interact(() -> lookup("#station-station-1").query().requestFocus());
    push(KeyCode.ALT, KeyCode.SHIFT, KeyCode.DOWN);
    settle();
    assertThat(names()).containsExactly("Dock coupler", "Slicer drive", "Wash pump");
    interact(() -> lookup("#station-station-1").query().requestFocus());
    push(KeyCode.DELETE);
    settle();
    assertThat(names()).containsExactly("Dock coupler", "Slicer drive");
    for (int i = 0; i < 6; i++) {
      onWindow(() -> desk.session().undo());
    }
    assertThat(desk.session().project()).isEqualTo(before);
  }

  @Test
  void anEmptyBusSaysWhatToBeginWith() {
    onWindow(
        () -> {
          desk.session().startNew();
          desk.navigation().showBus();
        });
    assertThat(shows("No stations yet.")).isTrue();
    assertThat(lookup("#bus-add").tryQuery()).isPresent();
  }

  private void put(BusStation station) {
    onWindow(
        () -> {
          desk.session().startNew();
          desk.apply(new Edit("put a station", p -> p.withStations(List.of(station))));
          desk.navigation().showBus();
        });
  }

  private static BusStation drive(
      long revision, @Nullable List<Integer> image, StartUpCommand... more) {
    return new BusStation(
        "d", "Drive", "FD-1", 0xFFFF0001L, 0x101, revision, 0, List.of(), image, List.of(more), "");
  }

  @Test
  void whatWouldBeRefusedAtEveryPowerUpIsNamed() {
    put(
        drive(
            0x10000,
            List.of(0x1600, 0x1601, 0x1A00),
            StartUpCommand.number("PS", 0x6099, 1, 5, 4, "homing speed")));
    assertThat(shows("cannot be in the image together")).isTrue();
    press("#bus-start_up");
    assertThat(shows("1 would be refused at every power-up.")).isTrue();
    assertThat(shows("0x06020000")).isTrue();
  }

  @Test
  void aStationThatIsNotDescribedIsNotGuessedAt() {
    put(drive(0x30000, List.of()));
    assertThat(shows("no description of FD-1, revision 0x00030000 at hand; there are 0x00010000"))
        .isTrue();
    assertThat(lookup("#station-image").tryQuery()).isEmpty();
  }

  @Test
  void whatIsLeftOpenIsNotCalledChecked() {
    put(drive(0x10000, null, StartUpCommand.number("PS", 0x2011, 0, 5, 2, "notes, cut short")));
    press("#bus-start_up");
    assertThat(shows("1 undetermined.")).isTrue();
    assertThat(lookup(".mark.open").tryQuery()).isPresent();
  }

  private BusStation station() {
    return desk.session().project().stations().get(0);
  }

  /** A group that excludes another takes its place, and the delivered image comes back. */
  @Test
  void theImageIsChosenAndComesBackAsDelivered() {
    put(drive(0x10000, null));
    assertThat(shows("32 bits, 4 bytes")).isTrue();
    press("#pdo-1602");
    assertThat(station().image()).containsExactly(0x1602, 0x1A00);
    assertThat(shows("48 bits, 6 bytes")).isTrue();
    assertThat(shows("takes its target from 0x6042, and the outputs do not have it")).isFalse();
    press("#image-delivered");
    assertThat(station().image()).isNull();
    press("#pdo-1a00");
    assertThat(station().image()).containsExactly(0x1600);
    onWindow(() -> desk.session().undo());
    assertThat(station().image()).isNull();
  }

  @Test
  void objectsAreAddedToTheStartUpAndWhatDoesNotFitIsNamed() {
    put(drive(0x10000, null));
    press("#bus-start_up");
    fill(this, "#start-up-object", "0x6060:0");
    fill(this, "#start-up-value", "300");
    press("#start-up-add");
    assertThat(message(this)).contains("300 does not fit into", "-128 to 127");
    fill(this, "#start-up-value", "3");
    press("#start-up-add");
    assertThat(station().startUp()).extracting(StartUpCommand::data).containsExactly("03");
    fill(this, "#start-up-object", "6F00");
    press("#start-up-add");
    assertThat(message(this)).contains("the description has no 0x6F00:0");
    fill(this, "#start-up-object", "speed");
    press("#start-up-add");
    assertThat(message(this)).contains("expected index and subindex in hex");
    fill(this, "#start-up-object", "2000");
    fill(this, "#start-up-value", "0x1");
    press("#start-up-add");
    assertThat(station().startUp())
        .extracting(StartUpCommand::index)
        .containsExactly(0x6060, 0x2000);
    press("#start-up-up-1");
    assertThat(station().startUp())
        .extracting(StartUpCommand::index)
        .containsExactly(0x2000, 0x6060);
    press("#start-up-remove-0");
    assertThat(station().startUp()).extracting(StartUpCommand::index).containsExactly(0x6060);
    onWindow(
        () -> {
          for (int i = 0; i < 4; i++) {
            desk.session().undo();
          }
        });
    assertThat(station().startUp()).isEmpty();
  }

  /** What the profile usually needs: known values at a press, the machine's into the fields. */
  @Test
  void whatNobodyWritesIsOfferedAndTaken() {
    demo();
    press("#station-slicer-drive");
    press("#bus-start_up");
    int before = desk.session().project().stations().get(1).startUp().size();
    List<String> offered = offers();
    assertThat(offered).noneMatch(o -> o.startsWith("0x60C2"));
    assertThat(shows("Usual in the profile, and written by nobody")).isTrue();
    press("#start-up-offer-0");
    assertThat(lookup("#start-up-object").<TextInputControl>query().getText())
        .isEqualTo(offered.get(0));
    assertThat(lookup("#start-up-value").query().isFocused()).isTrue();
    fill(this, "#start-up-value", "12");
    press("#start-up-add");
    assertThat(desk.session().project().stations().get(1).startUp()).hasSize(before + 1);
    assertThat(offers()).doesNotContain(offered.get(0)).hasSize(offered.size() - 1);
    // Without its own list the interpolation time is known from the motion axis' cycle.
    onWindow(
        () ->
            desk.apply(
                new Edit(
                    "empty the list",
                    q -> {
                      List<BusStation> stations = new ArrayList<>(q.stations());
                      stations.set(1, stations.get(1).with().startUp(List.of()).build());
                      return q.withStations(stations);
                    })));
    assertThat(offers()).contains("0x60C2:1", "0x60C2:2", "0x68C2:1");
    press("#start-up-offers");
    assertThat(desk.session().project().stations().get(1).startUp())
        .extracting(StartUpCommand::object)
        .contains("0x60C2:1", "0x60C2:2", "0x68C2:1", "0x68C2:2");
    assertThat(offers()).noneMatch(o -> o.contains("C2:"));
  }

  private List<String> offers() {
    return StartUpOffers.of(
            StationDesign.of(
                desk.session().project().stations().get(1), desk.session().sheets().descriptions()),
            1_000_000)
        .stream()
        .map(StartUpOffers.Offer::object)
        .toList();
  }

  /** A gap that is left out shifts all behind it: the first is named, and what the rest reads. */
  @Test
  void theControllersListIsLaidBesideTheImage() throws Exception {
    demo();
    press("#station-slicer-drive");
    press("#bus-controller_list");
    assertThat(shows("Paste the declarations of the controller")).isTrue();
    list("Controlword : UINT;\nModes_of_operation : SINT;\nTarget_position : DINT;\n");
    assertThat(
            shows("First difference: Target_position at 3.0 covers padding")
                || shows("First difference: Target_position at 3.0 takes 32 bits as DINT"))
        .isTrue();
    assertThat(shows("of the image without a variable")).isTrue();
    list("Controlword : UINT;\nModes : WORD\n");
    assertThat(shows("line 2")).isTrue();
    press("#station-dock-coupler");
    choose(this, "#controller-list-side", "outputs");
    answers.file = Files.createTempFile("list", ".csv");
    Files.writeString(
        answers.file,
        "name,type\n"
            + IntStream.rangeClosed(1, 8)
                .mapToObj(i -> "Output %d,BOOL\n".formatted(i))
                .collect(Collectors.joining())
            + "Output 1,INT\nOutput 2,INT\n");
    press("#controller-list-read");
    assertThat(shows("Every variable is where the image has it.")).isTrue();
    press("#controller-list-clear");
    assertThat(shows("Paste the declarations")).isTrue();
  }

  private void list(String text) {
    interact(() -> lookup("#controller-list").<TextInputControl>query().setText(text));
  }

  /** The demo's cycle with its sum; one that does not suit is a finding that leads back here. */
  @Test
  void theCycleIsCheckedAgainstWhatIsOnTheBus() {
    demo();
    press("#bus-cycle");
    assertThat(shows("nothing contradicts the cycle")).isTrue();
    assertThat(shows("time of the frames")).isTrue();
    enter(this, "#cycle-cycle", "2");
    assertThat(shows("Slicer drive, 0x60C2: the drive interpolates over 1 ms, the cycle is 2 ms"))
        .isTrue();
    assertThat(shows("Slicer X: the motion axis gives a set-point every 1 ms")).isTrue();
    enter(this, "#cycle-watchdog", "x");
    assertThat(message(this)).contains("watchdog 'x' is no number");
    enter(this, "#cycle-watchdog", "5");
    assertThat(shows("the watchdog stops the device after 5 ms, less than 3 cycles")).isTrue();
    enter(this, "#cycle-loop", " ");
    assertThat(desk.session().project().busTiming().loopNs()).isNull();
    onWindow(() -> desk.show(null, null));
    assertThat(
            desk.session().review().line().stream()
                .filter(f -> f.rule() == Rule.BUS_CYCLE)
                .map(f -> f.place()))
        .isNotEmpty()
        .allMatch(StationChecks.CYCLE::equals);
    onWindow(() -> desk.navigation().showBus());
    enter(this, "#cycle-cycle", " ");
    assertThat(desk.session().project().busTiming()).isNull();
    assertThat(shows("Enter the cycle")).isTrue();
    enter(this, "#cycle-cycle", "0");
    assertThat(message(this)).contains("cycle of 0 ns");
  }

  @Test
  void modulesAreChosenForEachSlot() {
    demo();
    press("#station-dock-coupler");
    assertThat(shows("40 bits, 5 bytes")).isTrue();
    choose(this, "#station-slot-3", "empty");
    assertThat(station().modules()).hasSize(4).last().isEqualTo(0L);
    assertThat(shows("72 bits, 9 bytes") && shows("40 bits, 5 bytes")).isFalse();
    onWindow(() -> desk.session().undo());
    assertThat(shows("72 bits, 9 bytes")).isTrue();
    choose(this, "#station-drive", desk.session().project().drives().get(0).name());
    assertThat(station().drive()).isEqualTo(desk.session().project().drives().get(0).id());
  }

  /** Offline until searched for, pending in PRE-OP, and what changed since is said. */
  @Test
  void whoAnswersStandsBesideWhoShould() throws Exception {
    demo();
    assertThat(shows("offline")).isTrue();
    try (StationStandIns standIns =
        StationStandIns.start(
            desk.session().project(),
            desk.session().sheets(),
            StationStandIns.udp(0),
            System::nanoTime)) {
      fill(this, "#scan-address", "127.0.0.1:" + standIns.server().port());
      press("#scan-search");
      waitUntil(() -> shows("Everybody answers as in the project."));
      assertThat(shows("pending, INIT")).isTrue();
      assertThat(shows("Process-data bus: 2 pending")).as("in the rail").isTrue();
      assertThat(shows("pending, INIT: what is shown is not in the device yet")).isTrue();
      press("#station-slicer-drive");
      press("#scan-blink");
      waitUntil(() -> message(this).equals("the lamp of Slicer drive blinks"));
      assertThat(standIns.stations().get(1).station().isBlinking()).isTrue();
      press("#scan-still");
      waitUntil(() -> !standIns.stations().get(1).station().isBlinking());
      press("#station-up");
      assertThat(shows("The stations of the project changed since: search again.")).isTrue();
      press("#scan-search");
      waitUntil(() -> shows("elsewhere in the cable than the project has it"));
    }
    fill(this, "#scan-address", "nowhere");
    press("#scan-search");
    assertThat(message(this)).contains("expected a host and a port");
    press("#scan-forget");
    press("#scan-blink");
    assertThat(message(this)).contains("search first");
    assertThat(shows("offline: what is shown is the project's")).isTrue();
    assertThat(shows("offline")).isTrue();
  }

  /** A finding of a station leads to it. */
  @Test
  void aFindingLeadsToItsStation() {
    put(drive(0x10000, null, StartUpCommand.number("PS", 0x7F00, 0, 5, 2, "")));
    var finding =
        desk.session().review().line().stream()
            .filter(f -> f.rule() == Rule.START_UP_REFUSED)
            .findFirst()
            .orElseThrow();
    onWindow(() -> desk.show(null, null));
    onWindow(() -> desk.navigation().goTo(finding));
    assertThat(lookup("#station-name").tryQuery()).isPresent();
  }
}
