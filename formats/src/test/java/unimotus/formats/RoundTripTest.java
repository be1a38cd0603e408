package unimotus.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import unimotus.core.machine.Project;
import unimotus.core.sheet.DeviceSheet;
import unimotus.formats.json.FileFault;
import unimotus.formats.project.ProjectFile;
import unimotus.formats.sheet.SheetLibrary;

/** What is written is read back equal, with every constant of every enum in it. */
class RoundTripTest {

  private static List<Enum<?>> constants(Class<?> type) {
    return List.of((Enum<?>[]) type.getEnumConstants());
  }

  @Test
  void projectsWithEveryConstant() throws IOException {
    Project sample = Samples.project("Line");
    Set<String> taken = new TreeSet<>();
    for (Class<?> type : EveryConstant.enums(sample)) {
      for (Enum<?> constant : constants(type)) {
        Optional<Project> project = EveryConstant.with(sample, constant);
        if (project.isPresent()) {
          byte[] bytes = ProjectFile.write(project.get());
          assertThat(ProjectFile.read("line", bytes).project())
              .as("%s.%s", type.getSimpleName(), constant)
              .isEqualTo(project.get());
          taken.add(type.getSimpleName() + "." + constant);
        }
      }
    }
    System.out.printf("projects written and read back: %d constants, 0 differ%n", taken.size());
    assertThat(taken).hasSizeGreaterThan(60);
  }

  @Test
  void sheetsWithEveryConstant() throws FileFault {
    int count = 0;
    Set<String> refused = new TreeSet<>();
    for (DeviceSheet sheet : SheetLibrary.shipped()) {
      assertThat(SheetLibrary.read(sheet.id(), SheetLibrary.write(sheet))).isEqualTo(sheet);
      for (Class<?> type : EveryConstant.enums(sheet)) {
        for (Enum<?> constant : constants(type)) {
          Optional<DeviceSheet> next = EveryConstant.with(sheet, constant);
          if (next.isPresent() && !next.get().equals(sheet)) {
            count += readBack(next.get(), constant, refused);
          }
        }
      }
    }
    System.out.printf(
        "sheets written and read back: %d, 0 differ; %d refused with a word%n",
        count, refused.size());
    assertThat(count).isGreaterThan(100);
  }

  /** A sheet that means nothing may be refused on reading, never changed. */
  private static int readBack(DeviceSheet sheet, Enum<?> constant, Set<String> refused) {
    try {
      assertThat(SheetLibrary.read(sheet.id(), SheetLibrary.write(sheet)))
          .as("%s with %s", sheet.id(), constant)
          .isEqualTo(sheet);
      return 1;
    } catch (FileFault fault) {
      assertThat(fault.getMessage()).isNotBlank();
      refused.add(sheet.id() + constant);
      return 0;
    }
  }
}
