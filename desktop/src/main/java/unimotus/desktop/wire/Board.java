package unimotus.desktop.wire;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import javafx.animation.AnimationTimer;
import javafx.scene.Cursor;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import unimotus.core.machine.BoardPlace;
import unimotus.core.machine.BoardPlace.Side;
import unimotus.core.machine.Controller;
import unimotus.core.machine.Drive;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.Terminal;
import unimotus.core.wiring.LineSolution;
import unimotus.core.wiring.PlacedDevice;
import unimotus.desktop.Desk;
import unimotus.workbench.board.BoardContents;
import unimotus.workbench.board.BoardLayout;
import unimotus.workbench.board.BoardLayout.Block;
import unimotus.workbench.board.BoardLayout.Item;
import unimotus.workbench.board.BoardLayout.Place;
import unimotus.workbench.board.WireBench;

/**
 * Terminals and wires, laid out by the program. Made anew when the wiring changes; only repainted
 * when outputs are toggled, probes moved or faults put in, so that a long line stays quick.
 */
final class Board extends Pane {
  /** Up to so many terminals are made at once. */
  private static final int MADE_AT_ONCE = 160;

  /** How far around what was found everything is made. */
  private static final double BESIDE = 300;

  private final Desk desk;
  private final WireBench bench;
  private final Consumer<TerminalRef> touched;
  private final Consumer<TerminalRef> moved;
  private final Map<TerminalRef, TerminalRow> rows = new LinkedHashMap<>();
  private final WireLayer wireLayer;
  private final BoardMarks marks;
  private final BoardKeys keys;
  private final Group grounds = new Group();
  private final Group rowLayer = new Group();
  private final Group dotLayer = new Group();
  private final Set<String> made = new HashSet<>();
  private final Set<String> drawn = new HashSet<>();
  private final List<DeviceHead> heads = new ArrayList<>();
  private final AnimationTimer maker =
      new AnimationTimer() {
        @Override
        public void handle(long now) {
          makeOneMore();
        }
      };
  private final Set<TerminalRef> wired = new HashSet<>();
  private final Map<TerminalRef, String> signals = new HashMap<>();
  private BoardContents scope = new BoardContents(List.of(), Map.of(), List.of());
  private BoardLayout layout = BoardLayout.of(List.of(), List.of(), List.of(), 0);
  private String reading = "";

  Board(Desk desk, WireBench bench, Consumer<TerminalRef> touched, Consumer<TerminalRef> moved) {
    this.moved = moved;
    this.desk = desk;
    this.bench = bench;
    this.touched = touched;
    wireLayer = new WireLayer(bench);
    marks = new BoardMarks(bench);
    keys = new BoardKeys(bench, touched, this::focus, wireLayer::on, rows.values());
    setId("board");
    List.of(grounds, rowLayer, dotLayer).forEach(layer -> layer.setManaged(false));
    getChildren().addAll(grounds, wireLayer, rowLayer, dotLayer, marks);
    setOnMouseMoved(this::point);
    setOnMouseClicked(this::choose);
  }

  private void point(MouseEvent e) {
    marks.follow(e.getX(), e.getY());
    boolean onWire = bench.armed() == null && wireLayer.point(e.getX(), e.getY()).isPresent();
    setCursor(onWire ? Cursor.HAND : Cursor.DEFAULT);
  }

  /** Chooses the wire under the pointer; a second click goes to its other end. */
  private void choose(MouseEvent e) {
    if (!e.isStillSincePress()) {
      return;
    }
    Optional<WireLine> line = wireLayer.at(e.getX(), e.getY());
    bench.choose(line.map(l -> l.wire().id()).orElse(null));
    if (line.isPresent() && e.getClickCount() == 2) {
      WireLine found = line.get();
      boolean nearFrom =
          Math.abs(e.getY() - found.way().fromY()) < Math.abs(e.getY() - found.way().toY());
      focus(nearFrom ? found.wire().to() : found.wire().from());
    } else {
      requestFocus();
    }
  }

  /** Gives a terminal of the board the keyboard, which brings it into sight. */
  void focus(TerminalRef ref) {
    Place at = layout.places().get(ref);
    if (at != null) {
      reveal(at.y() - BESIDE, at.y() + BESIDE);
      row(ref).ifPresent(Node::requestFocus);
    }
  }

  /** How it is laid out now. */
  BoardLayout laidOut() {
    return layout;
  }

  /**
   * Lays everything out anew. A board of a few devices is made at once; of a long line what is
   * revealed, since styling thousands of nodes takes seconds, and the rest device by device.
   */
  void show(BoardContents next, List<BoardPlace> put, double atLeast) {
    clear();
    scope = next;
    for (Wire wire : scope.wires()) {
      wired.addAll(List.of(wire.from(), wire.to()));
      if (!wire.make().signal().isBlank()) {
        signals.putIfAbsent(wire.from(), wire.make().signal());
        signals.putIfAbsent(wire.to(), wire.make().signal());
      }
    }
    List<Item> items = scope.devices().stream().map(d -> item(d, scope)).toList();
    layout = BoardLayout.of(items, scope.wires(), put, atLeast);
    setMinSize(layout.width(), layout.height());
    setPrefSize(layout.width(), layout.height());
    if (layout.places().size() <= MADE_AT_ONCE) {
      reveal(0, layout.height());
    } else {
      maker.start();
    }
  }

  /** Makes the next device below, so that little is left to make when it comes into sight. */
  private void makeOneMore() {
    layout.blocks().stream()
        .filter(b -> !made.contains(b.id()))
        .min(Comparator.comparingDouble(Block::y))
        .ifPresentOrElse(b -> reveal(b.y(), b.y()), maker::stop);
  }

  private void clear() {
    maker.stop();
    List.of(grounds, rowLayer, dotLayer).forEach(l -> l.getChildren().clear());
    rows.clear();
    wireLayer.clear();
    heads.clear();
    wired.clear();
    signals.clear();
    made.clear();
    drawn.clear();
  }

  /** Makes what lies between two heights and is not made yet. */
  void reveal(double top, double bottom) {
    Map<String, Block> blocks = new HashMap<>();
    layout.blocks().stream()
        .filter(b -> b.y() <= bottom && b.y() + b.height() >= top)
        .forEach(b -> blocks.put(b.id(), b));
    boolean more = false;
    for (PlacedDevice device : scope.devices()) {
      if (blocks.containsKey(device.id()) && made.add(device.id())) {
        addBlock(device, blocks.get(device.id()), scope.terminals(device));
        more = true;
      }
    }
    for (Wire wire : scope.wires()) {
      if (layout.shows(wire) && isBetween(wire, top, bottom) && drawn.add(wire.id())) {
        addWire(wire);
        more = true;
      }
    }
    if (more) {
      paint();
    }
  }

  private boolean isBetween(Wire wire, double top, double bottom) {
    double one = layout.place(wire.from()).y();
    double other = layout.place(wire.to()).y();
    return Math.min(one, other) <= bottom && Math.max(one, other) >= top;
  }

  private static Item item(PlacedDevice device, BoardContents scope) {
    List<String> shown = scope.terminals(device);
    boolean controller = device.device() instanceof Controller;
    Side side = controller ? Side.LEFT : device.device() instanceof Drive ? Side.RIGHT : null;
    return new Item(device.id(), side, DeviceHead.height(device, shown), shown, !controller);
  }

  private void addBlock(PlacedDevice device, Block block, List<String> shown) {
    Region ground = new Region();
    ground.getStyleClass().add("device-block");
    ground.setMouseTransparent(true);
    place(grounds, ground, block.x(), block.y(), block.width(), block.height());
    DeviceHead head = new DeviceHead(desk, bench, device, shown);
    heads.add(head);
    place(grounds, head, block.x(), block.y(), block.width(), DeviceHead.height(device, shown));
    DeviceGrip grip =
        new DeviceGrip(desk, device.id(), device.device().name(), ground, this::laidOut);
    place(grounds, grip, block.x() + block.width() - 30, block.y() + 5, 22, 14);
    for (String terminal : shown) {
      TerminalRef ref = device.ref(terminal);
      dotLayer.getChildren().add(addTerminal(device, ref, layout.place(ref)));
    }
  }

  /**
   * Puts a node where the layout says. It is not managed: a word that changes in one of a thousand
   * rows must not lay out the others.
   */
  private static void place(
      Group layer, Region node, double x, double y, double width, double height) {
    node.setManaged(false);
    node.resizeRelocate(x, y, width, height);
    layer.getChildren().add(node);
  }

  private Node addTerminal(PlacedDevice device, TerminalRef ref, Place at) {
    Terminal terminal = device.sheet().terminal(ref.terminal()).orElseThrow();
    boolean switchable = device.device() instanceof Controller && terminal.role().isBinaryOutput();
    TerminalRow row =
        new TerminalRow(
            ref,
            terminal,
            new TerminalUse(bench, signals).of(device, terminal),
            at.rightward(),
            switchable);
    rows.put(ref, row);
    place(rowLayer, row, at.rowX(), at.y() - BoardLayout.ROW / 2, at.rowWidth(), BoardLayout.ROW);
    row.dot().setCenterX(at.x());
    row.dot().setCenterY(at.y());
    row.focusedProperty()
        .addListener((o, was, is) -> Optional.of(ref).filter(r -> is).ifPresent(this::follow));
    row.setOnMouseMoved(e -> follow(ref));
    row.setOnMouseClicked(
        e -> {
          e.consume();
          if (e.isShiftDown() && bench.wire().isPresent()) {
            moved.accept(ref);
          } else {
            touched.accept(ref);
          }
        });
    row.glyph()
        .setOnMouseClicked(
            e -> {
              if (row.isSwitchable()) {
                bench.toggle(ref);
                e.consume();
              }
            });
    row.setOnKeyPressed(e -> keys.key(e, row));
    return row.dot();
  }

  private void addWire(Wire wire) {
    wireLayer.add(new WireLine(wire, layout.way(wire), isAnalog(wire)));
  }

  private void follow(TerminalRef ref) {
    marks.follow(ref, layout.place(ref));
  }

  private boolean isAnalog(Wire wire) {
    return isAnalog(wire.from()) || isAnalog(wire.to());
  }

  private boolean isAnalog(TerminalRef end) {
    return bench.installation().terminal(end).filter(t -> t.role().isAnalog()).isPresent();
  }

  /** Shows the present state on what is laid out. */
  void paint() {
    LineSolution solution = bench.solution();
    wireLayer.paint();
    marks.paint(ref -> Optional.ofNullable(layout.places().get(ref)), reading);
    Readout readout = new Readout(desk.units());
    rows.values().forEach(r -> r.paint(bench, solution, wired.contains(r.ref()), readout));
    heads.forEach(DeviceHead::paint);
  }

  /** Says what the meter shows, for beside the probes. */
  void read(String words) {
    reading = words;
  }

  /** The row of a terminal; empty where it is not on the board. */
  Optional<TerminalRow> row(TerminalRef ref) {
    return Optional.ofNullable(rows.get(ref));
  }

  /** The first terminal with the marking, or end of the wire with the number, that is sought. */
  Optional<TerminalRow> find(String sought) {
    String plain = sought.strip();
    Optional<Wire> wire =
        scope.wires().stream().filter(w -> w.id().equalsIgnoreCase(plain)).findFirst();
    wire.ifPresent(w -> bench.choose(w.id()));
    Optional<TerminalRef> found =
        wire.map(Wire::from)
            .or(
                () ->
                    layout.places().keySet().stream()
                        .filter(
                            r ->
                                r.terminal().equalsIgnoreCase(plain)
                                    || r.toString().equalsIgnoreCase(plain))
                        .findFirst());
    found.map(layout.places()::get).ifPresent(at -> reveal(at.y() - BESIDE, at.y() + BESIDE));
    return found.flatMap(this::row);
  }

  static boolean removes(KeyEvent e) {
    return e.getCode() == KeyCode.DELETE || e.getCode() == KeyCode.BACK_SPACE;
  }
}
