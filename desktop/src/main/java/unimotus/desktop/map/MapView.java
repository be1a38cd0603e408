package unimotus.desktop.map;

import java.util.EnumMap;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.desktop.Desk;
import unimotus.desktop.frames.FramesPane;
import unimotus.desktop.kit.Tabs;
import unimotus.desktop.motion.MotionPane;
import unimotus.desktop.station.FindingField;
import unimotus.desktop.station.View;

/** The station Map: what the number becomes on its way, and what the words of a fieldbus say. */
public final class MapView implements View {
  private enum Mode {
    PATH("Signal path"),
    MOTION("Motion"),
    WORDS("Words"),
    REGISTERS("Registers"),
    FRAMES("Frames"),
    LIVE("Live"),
    FIND("Find"),
    CONTROLLER("Controller");

    private final String label;

    Mode(String label) {
      this.label = label;
    }
  }

  private final Map<Mode, Runnable> refreshers = new EnumMap<>(Mode.class);
  private final Tabs<Mode> tabs = new Tabs<>("map-", Mode.class, m -> m.label, this::show);
  private final Map<Mode, Node> nodes = new EnumMap<>(Mode.class);
  private final VBox node;
  private final Desk desk;
  private final MotionPane motion;
  private Mode mode = Mode.PATH;

  /**
   * The station for a desk.
   *
   * @param path the signal path
   */
  public MapView(Desk desk, View path) {
    put(Mode.PATH, path.node(), path::refresh);
    this.desk = desk;
    motion = new MotionPane(desk);
    put(Mode.MOTION, motion, motion::refresh);
    WordsPane words = new WordsPane(desk);
    put(Mode.WORDS, words, words::refresh);
    RegistersPane registers = new RegistersPane(desk);
    put(Mode.REGISTERS, registers, registers::refresh);
    LivePane live = new LivePane(desk);
    put(Mode.FRAMES, new FramesPane(desk, live::frames, live::telegrams), () -> {});
    put(Mode.LIVE, live, live::refresh);
    FindPane find = new FindPane(desk, live.where());
    put(Mode.FIND, find, find::refresh);
    ControllerPane controller = new ControllerPane(desk, registers::watch);
    put(Mode.CONTROLLER, controller, controller::refresh);
    tabs.setPadding(new Insets(6, 16, 0, 16));
    node = new VBox(tabs, path.node());
    tabs.show(mode);
  }

  private void put(Mode which, Node shown, Runnable refresher) {
    VBox.setVgrow(shown, Priority.ALWAYS);
    nodes.put(which, shown);
    refreshers.put(which, refresher);
  }

  private void show(Mode next) {
    turn(next);
    refresh();
  }

  @Override
  public Node node() {
    return node;
  }

  /** Only what is seen is drawn anew; the rest is when it is shown. */
  @Override
  public void refresh() {
    desk.navigation()
        .takeAim()
        .ifPresent(
            place -> {
              motion.aimAt(place);
              turn(Mode.MOTION);
            });
    Optional<Finding> mended = desk.navigation().takeMended();
    mended.ifPresent(f -> turn(modeOf(f.rule())));
    Objects.requireNonNull(refreshers.get(mode)).run();
    mended.ifPresent(f -> FindingField.light(node, f));
  }

  private void turn(Mode next) {
    mode = next;
    tabs.show(mode);
    node.getChildren().set(1, nodes.get(mode));
  }

  /** Where what a rule asks for is entered. */
  private static Mode modeOf(Rule rule) {
    return switch (rule) {
      case IO_ADDRESS -> Mode.CONTROLLER;
      case UNIT_NUMBER, REGISTER_MAP -> Mode.REGISTERS;
      case WORD_PROFILE -> Mode.WORDS;
      default -> Mode.PATH;
    };
  }
}
