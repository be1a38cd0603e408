package unimotus.formats.packed;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.TerminalRole;
import unimotus.formats.sheet.SheetLibrary;

/** The packed form is its JSON file, value for value. */
class PackedTest {
  private record Inner(boolean yes, int whole, double number, @Nullable String text) {}

  private record Outer(List<Inner> list, Map<String, TerminalRole> map, TerminalRef ref) {}

  private static @Nullable Object again(@Nullable Object value) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    new PackedWriter(out).write(value);
    return new PackedReader(new ByteArrayInputStream(out.toByteArray())).read();
  }

  @Test
  void whatShipsIsPackedAndTheSame() {
    assertThat(SheetLibrary.class.getResource("/unimotus/sheets/sheets.packed")).isNotNull();
    assertThat(SheetLibrary.shipped()).isEqualTo(SheetLibrary.bound()).hasSizeGreaterThan(40);
  }

  @Test
  void everyKindOfValueComesBack() throws IOException {
    Outer value =
        new Outer(
            List.of(new Inner(true, -7, 1e-300, null), new Inner(false, 0, -0.0, "Ω · ü")),
            Map.of("a", TerminalRole.COIL),
            new TerminalRef("plc", "DO0"));
    assertThat(again(value)).isEqualTo(value);
    assertThat(again(null)).isNull();
    assertThat(again(Arrays.asList("x", null, "x"))).isEqualTo(Arrays.asList("x", null, "x"));
  }

  @Test
  void whatCannotBePackedIsNamed() {
    assertThatThrownBy(() -> again(new StringBuilder("x"))).hasMessageContaining("StringBuilder");
    assertThatThrownBy(() -> again(List.of(1.5f))).hasMessageContaining("Float");
  }

  @Test
  void aFormThatIsCutIsRefused() throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    new PackedWriter(out).write(new TerminalRef("plc", "DO0"));
    byte[] whole = out.toByteArray();
    for (int length = 0; length < whole.length; length++) {
      byte[] cut = Arrays.copyOf(whole, length);
      assertThatThrownBy(() -> new PackedReader(new ByteArrayInputStream(cut)).read())
          .isInstanceOf(IOException.class);
    }
  }

  @Test
  void whereNothingIsPackedThereIsNothing() {
    assertThat(Packed.shipped(PackedTest.class, "/nothing.packed")).isEqualTo(Optional.empty());
  }
}
