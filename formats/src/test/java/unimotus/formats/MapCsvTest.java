package unimotus.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.fieldbus.Notation;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.fieldbus.RegisterPlace;
import unimotus.core.fieldbus.RegisterTable;
import unimotus.core.fieldbus.WordOrder;
import unimotus.core.value.Access;
import unimotus.core.value.DriveValue;
import unimotus.core.value.Limits;
import unimotus.core.value.Scaling;
import unimotus.core.value.ValueRole;
import unimotus.core.value.ValueType;
import unimotus.formats.fieldbus.MapCsv;
import unimotus.formats.json.FileFault;

/** Register maps out and in, as manuals and other programs write them. */
class MapCsvTest {
  private static final String LINES =
      """
      name,table,address,type,order,scale,unit,minimum,maximum,access,group
      control word,holding register,40001,unsigned 16,,1,,0,65535,"read, write",command
      energy,input register,30010,float-32,CDAB,1,kWh,0,100000,read,
      door,discrete input,10003,,,,,,,,
      """;

  private static MapCsv.Read read(String text, Notation notation) throws FileFault {
    return MapCsv.read("map.csv", text.getBytes(StandardCharsets.UTF_8), notation);
  }

  @Test
  void aMapAsAManualPrintsIt() throws FileFault {
    MapCsv.Read read = read(LINES, null);
    assertThat(read.problems()).isEmpty();
    RegisterEntry control = read.map().entries().get(0);
    assertThat(control.address()).isZero();
    assertThat(control.access()).isEqualTo(Access.READ_WRITE);
    RegisterEntry energy = read.map().entries().get(1);
    assertThat(energy.address()).isEqualTo(9);
    assertThat(energy.type()).isEqualTo(ValueType.FLOAT_32);
    assertThat(energy.order()).isEqualTo(WordOrder.CDAB);
    RegisterEntry door = read.map().entries().get(2);
    assertThat(door.table()).isEqualTo(RegisterTable.DISCRETE_INPUT);
    assertThat(door.type()).isEqualTo(ValueType.BIT);
    assertThat(door.address()).isEqualTo(2);
  }

  @Test
  void whatIsWrittenIsReadBack() throws IOException {
    MapCsv.Read read = read(LINES, null);
    StringBuilder out = new StringBuilder();
    MapCsv.write(read.map(), out);
    assertThat(read(out.toString(), Notation.FROM_ZERO).map()).isEqualTo(read.map());
  }

  /** The same page read as counted from 0 and from 1 differs by one everywhere. */
  @Test
  void theNotationShiftsEverything() throws FileFault {
    String plain = "name,table,address\na,holding register,10\nb,holding register,11\n";
    MapCsv.Read zero = read(plain, Notation.FROM_ZERO);
    MapCsv.Read one = read(plain, Notation.FROM_ONE);
    assertThat(zero.map().shiftAgainst(one.map()).orElseThrow().seen()).contains("one above");
  }

  @ParameterizedTest
  @CsvSource({
    "'x,holding register,ten', is no address",
    "'x,shelf,1', 'shelf'",
    "'x,holding register,70000', outside",
    "',holding register,1', needs a name"
  })
  void linesThatCannotBeTakenAreReported(String line, String why) throws FileFault {
    MapCsv.Read read = read("name,table,address\n" + line + "\ny,coil,4\n", null);
    assertThat(read.map().entries()).hasSize(1);
    assertThat(read.problems()).hasSize(1);
    assertThat(read.problems().get(0)).startsWith("line 2: ").contains(why);
  }

  @Test
  void anotherTableIsRefused() {
    assertThatThrownBy(() -> read("register,what\n1,2\n", null))
        .isInstanceOf(FileFault.class)
        .hasMessageContaining("no column 'name'");
  }

  /** Every constant there is, at addresses that look like references and at both ends. */
  @Test
  void everyConstantComesBack() throws IOException {
    int[] addresses = {0, 1, 9999, 10000, 10001, 30001, 40001, 40002, 49999, 65500};
    List<RegisterEntry> entries = new ArrayList<>();
    for (RegisterTable table : RegisterTable.values()) {
      for (ValueType type : ValueType.values()) {
        if (table.isBits() != (type == ValueType.BIT)) {
          continue;
        }
        for (int i = 0; i < addresses.length; i++) {
          ValueRole role = ValueRole.values()[i % ValueRole.values().length];
          entries.add(
              new RegisterEntry(
                  new DriveValue(
                      "%s %s %d".formatted(table, type, i),
                      role,
                      type,
                      new Scaling(i % 2 == 0 ? 0.1 : -2.5e-3, i % 3 - 1, i % 2 == 0 ? "Hz" : ""),
                      new Limits(-1e9, 1e9),
                      Access.values()[i % Access.values().length]),
                  new RegisterPlace(
                      table,
                      addresses[i],
                      WordOrder.values()[i % WordOrder.values().length],
                      i % 2 == 0 ? "group, with comma" : "")));
        }
      }
    }
    RegisterMap map = new RegisterMap(entries);
    StringBuilder out = new StringBuilder();
    MapCsv.write(map, out);
    MapCsv.Read back = read(out.toString(), null);
    assertThat(back.problems()).isEmpty();
    assertThat(back.map()).isEqualTo(map);
  }

  /** Every address of every table in every notation that can write it. */
  @Test
  void everyAddressComesBackInEveryNotation() {
    for (RegisterTable table : RegisterTable.values()) {
      for (Notation notation : Notation.values()) {
        for (int address = 0; address <= 0xFFFF; address++) {
          String text = notation.write(table, address);
          if (text.equals("–")) {
            // Five digits hold no more than the first ten thousand.
            assertThat(notation).isEqualTo(Notation.FIVE_DIGITS);
            continue;
          }
          assertThat(notation.read(table, text)).isEqualTo(address);
        }
      }
    }
  }

  @Test
  void whatIsRefusedNamesLineAndColumn() throws FileFault {
    MapCsv.Read read =
        read(
            """
            name,table,address,type,scale,role
            speed,holding register,1,unsigned 16,"1,500",reference
            torque,holding register,2,unsigned 16,1,setpoint of nothing
            current,holding register,70000,unsigned 16,1,
            """,
            Notation.FROM_ZERO);
    assertThat(read.map().entries()).isEmpty();
    assertThat(read.problems()).hasSize(3);
    assertThat(read.problems().get(0)).contains("line 2", "scale", "1,500");
    assertThat(read.problems().get(1)).contains("line 3", "role", "setpoint of nothing");
    assertThat(read.problems().get(2)).contains("line 4", "70000");
  }
}
