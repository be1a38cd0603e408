package unimotus.desktop.sequence;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.TerminalRef;
import unimotus.core.plant.Plant;
import unimotus.core.plant.SequencePlay;
import unimotus.core.plant.SignalPlaces;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.station.FindingField;
import unimotus.workbench.SequenceEdits;

/** The terminals of the controller that the names of a sequence stand for. */
final class NamesCard extends VBox {
  /** A terminal with what is wired to it, or none. */
  private record Place(@Nullable TerminalRef at, String words) {}

  private final Desk desk;
  private final Plant plant;
  private final VBox rows = Parts.column(6);

  NamesCard(Desk desk, Plant plant) {
    super(8);
    this.desk = desk;
    this.plant = plant;
    getStyleClass().add("sheet");
    plant.sequence().outputs().forEach(n -> line(n, "output", SignalPlaces.outputs(plant)));
    plant.sequence().inputs().forEach(n -> line(n, "input", SignalPlaces.inputs(plant)));
    Stream.of(SequencePlay.START, SequencePlay.PERMIT, SequencePlay.AUTO)
        .forEach(n -> line(n, "input", SignalPlaces.inputs(plant)));
    getChildren()
        .addAll(
            Parts.label("What the names stand for", "ink-strong"),
            rows,
            Parts.row(8, Parts.action("place-by-name", "Find by name", this::find)),
            Parts.prose(
                "start, permit and auto are the person's where they stand on no input.",
                "ink-caption"));
  }

  private void line(String name, String kind, List<TerminalRef> terminals) {
    List<Place> places = new ArrayList<>(List.of(new Place(null, "none")));
    terminals.forEach(t -> places.add(new Place(t, words(t))));
    TerminalRef at = plant.design().signals().get(name);
    Place now = places.stream().filter(p -> Objects.equals(p.at(), at)).findFirst().orElse(null);
    if (now == null) {
      now = new Place(at, String.valueOf(at));
      places.add(now);
    }
    ChoiceField<Place> field =
        new ChoiceField<>(
            "%s for %s".formatted(kind, name),
            places,
            Place::words,
            p -> desk.apply(SequenceEdits.place(plant.design(), name, p.at())));
    field.setId(FindingField.place(name));
    field.setMinWidth(110);
    field.setMaxWidth(Double.MAX_VALUE);
    rows.getChildren().add(Parts.column(0, Parts.prose(name, "ink-label"), field.show(now)));
  }

  /** The terminal and what is at the other ends of its wires. */
  private String words(TerminalRef at) {
    String wired =
        plant.line().wires().stream()
            .filter(w -> w.touches(at))
            .map(w -> w.from().equals(at) ? w.to() : w.from())
            .map(end -> plant.name(end.device()))
            .distinct()
            .collect(Collectors.joining(", "));
    return wired.isEmpty() ? at.terminal() : "%s  %s".formatted(at.terminal(), wired);
  }

  private void find() {
    Map<String, TerminalRef> found = SignalPlaces.byName(plant);
    if (found.isEmpty()) {
      desk.refuse(unfound());
    } else {
      desk.apply(SequenceEdits.place(plant.design(), found));
    }
  }

  private String unfound() {
    Optional<String> open =
        Stream.concat(plant.sequence().inputs().stream(), plant.sequence().outputs().stream())
            .filter(n -> !plant.design().signals().containsKey(n))
            .findFirst();
    return open.map("no wired part is called '%s': choose its terminal"::formatted)
        .orElse("every name stands on a terminal already");
  }
}
