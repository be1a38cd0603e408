package unimotus.desktop.bus;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Pos;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import unimotus.core.esi.Direction;
import unimotus.core.processdata.ImagePlace;
import unimotus.core.processdata.ProcessImage;
import unimotus.core.processdata.StationSetup;
import unimotus.desktop.kit.Hint;
import unimotus.desktop.kit.Parts;

/**
 * The image of a station: a row a byte, its bits as a strip with the highest on the left, and the
 * names of what begins in it. Gaps are dashed.
 */
final class ImagePane extends VBox {
  private static final double BIT = 15;
  private static final double ROW = 19;
  private static final double SIDE = 368;
  private static final int SHORT_NAME = 20;

  ImagePane(StationSetup setup, ImageChoice choice) {
    super(10);
    setId("station-image");
    ProcessImage image = ProcessImage.of(setup);
    FlowPane sides = new FlowPane(14, 14);
    for (Direction direction : Direction.values()) {
      sides.getChildren().add(side(direction, image));
    }
    getChildren()
        .addAll(
            Parts.prose(
                "Entries follow each other bit by bit; only gaps align them. Bit 7 is on the left."
                    + " Whoever leaves a gap out reads everything behind it shifted.",
                "ink-label"),
            choice.node(),
            sides);
  }

  private static Node side(Direction direction, ProcessImage image) {
    List<ImagePlace> places = image.side(direction);
    String heading =
        direction == Direction.OUTPUTS
            ? "Outputs, controller to station"
            : "Inputs, station to controller";
    VBox sheet =
        Parts.sheet(
            8,
            Parts.label(heading, "ink-strong"),
            Parts.label(
                "%d bits, %d bytes".formatted(image.bits(direction), image.bytes(direction)),
                "ink-label"));
    sheet.setPrefWidth(SIDE);
    if (places.isEmpty()) {
      sheet.getChildren().add(Parts.label("nothing", "ink-label"));
    } else {
      sheet.getChildren().add(rows(places, image.bytes(direction)));
    }
    return sheet;
  }

  private static Node rows(List<ImagePlace> places, int bytes) {
    GridPane grid = new GridPane();
    grid.setHgap(8);
    ColumnConstraints plain = new ColumnConstraints();
    ColumnConstraints wide = new ColumnConstraints();
    wide.setHgrow(Priority.ALWAYS);
    grid.getColumnConstraints().addAll(plain, new ColumnConstraints(), wide);
    for (int at = 0; at < bytes; at++) {
      Label number = Parts.label(String.valueOf(at), "ink-caption");
      number.setMinWidth(22);
      number.setAlignment(Pos.CENTER_RIGHT);
      Node names = names(places, at);
      grid.addRow(at, number, strip(places, at), names);
      GridPane.setValignment(number, VPos.TOP);
      GridPane.setValignment(names, VPos.TOP);
    }
    return grid;
  }

  /** The runs of one byte, the highest bit first. */
  private static Node strip(List<ImagePlace> places, int at) {
    HBox strip = new HBox();
    int from = Byte.SIZE * at;
    List<Node> runs = new ArrayList<>();
    int free = Byte.SIZE;
    for (int i = 0; i < places.size(); i++) {
      ImagePlace place = places.get(i);
      int begin = Math.max(place.bit(), from);
      int end = Math.min(place.end(), from + Byte.SIZE);
      if (begin < end) {
        runs.add(0, run(place, end - begin, i % 2 == 1));
        free -= end - begin;
      }
    }
    if (free > 0) {
      runs.add(0, run("filled up", free, "unused"));
    }
    strip.getChildren().addAll(runs);
    strip.setMinHeight(ROW);
    return strip;
  }

  private static Node run(ImagePlace place, int bits, boolean isSecond) {
    String words = "%s at %s, %d bit".formatted(place.name(), place.place(), bits(place));
    return run(words, bits, place.entry().isPadding() ? "unused" : isSecond ? "second" : "first");
  }

  private static int bits(ImagePlace place) {
    return place.entry().bitLength();
  }

  private static Node run(String words, int bits, String style) {
    Region run = new Region();
    run.getStyleClass().addAll("bit-run", style);
    run.setMinSize(BIT * bits, ROW - 1);
    run.setMaxSize(BIT * bits, ROW - 1);
    run.setAccessibleText(words);
    Hint.on(run, () -> words);
    return run;
  }

  /** What begins in a byte: the bit where it does not begin the byte, the name, the type. */
  private static Node names(List<ImagePlace> places, int at) {
    List<String> names = new ArrayList<>();
    for (ImagePlace place : places) {
      if (place.byteOffset() == at) {
        String bit =
            place.bitOffset() == 0 && bits(place) >= Byte.SIZE ? "" : "." + place.bitOffset() + " ";
        String type = place.entry().dataType();
        // A short name stays on one line with its bit.
        String name = bit + place.name();
        String kept = name.length() <= SHORT_NAME ? name.replace(' ', '\u00a0') : name;
        names.add(type.isEmpty() || bits(place) == 1 ? kept : kept + " " + type);
      }
    }
    Label label = Parts.prose(String.join(" · ", names), "ink-sum");
    label.setMinHeight(ROW);
    return label;
  }
}
