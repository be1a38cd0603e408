package unimotus.core.stops;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import unimotus.core.Lines;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Part;
import unimotus.core.machine.Project;
import unimotus.formats.sheet.SheetLibrary;

/** Which drives share a d.c. link, on shipped sheets. */
class LinkNetsTest {
  private static final String SHEET = "vector-drive-15kw";

  /** Two axes, each with a drive of its own, and an infeed. */
  private static Project line() {
    Project one = Lines.bare("controller-modular", SHEET);
    return one.with(new Drive("other", "Other drive", SHEET, Map.of(), Map.of()))
        .with(one.axes().get(0).withId("second").withName("Second").withDrive("other"))
        .with(new Part("infeed", "Infeed", "infeed-dc-20kw", Map.of()));
  }

  private static LinkNets nets(Project project) {
    List<AxisAssembly> axes =
        project.axes().stream()
            .map(a -> AxisAssembly.of(project, SheetLibrary.catalogue(), a).orElseThrow())
            .toList();
    assertThat(axes).hasSize(2);
    return LinkNets.of(axes);
  }

  private static boolean isShared(Project project) {
    LinkNets nets = nets(project);
    return nets.of("drive").equals(nets.of("other"));
  }

  @Test
  void linksAreSharedWhereWiresJoinThem() {
    assertThat(isShared(line())).isFalse();
    assertThat(isShared(Lines.plus(line(), "drive:DC+ – other:DC+"))).isTrue();
    assertThat(isShared(Lines.plus(line(), "infeed:DC+ – drive:DC+", "infeed:DC+ – other:DC+")))
        .isTrue();
    assertThat(isShared(Lines.plus(line(), "infeed:DC+ – drive:DC+"))).isFalse();
    assertThat(isShared(Lines.plus(line(), "drive:DC- – other:DC-"))).isFalse();
  }
}
