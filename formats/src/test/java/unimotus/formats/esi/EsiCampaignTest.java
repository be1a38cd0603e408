package unimotus.formats.esi;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import unimotus.core.esi.Direction;
import unimotus.core.processdata.ImagePlace;
import unimotus.core.processdata.ProcessImage;
import unimotus.core.processdata.StationSetup;

/**
 * Descriptions made at random, whose writer counts the offsets while it writes them; and shipped
 * ones with bytes changed, which must end in faults with a place and never in anything else.
 */
class EsiCampaignTest {
  private static final int MADE = Integer.getInteger("unimotus.campaign", 1) * 300;
  private static final int DAMAGED = Integer.getInteger("unimotus.campaign", 1) * 400;
  private static final int[] BITS = {1, 2, 4, 8, 12, 16, 32, 64};

  /** What the writer counted of an entry. */
  private record Counted(int pdo, int index, int bit, int bits) {}

  /** A description and what it must come to. */
  private static final class Written {
    private final Random random;
    private final StringBuilder text = new StringBuilder();
    private final List<Counted> outputs = new ArrayList<>();
    private final List<Counted> inputs = new ArrayList<>();
    private final int pdoStep;
    private final int indexStep;

    Written(long seed) {
      random = new Random(seed);
      pdoStep = 1 + random.nextInt(16);
      indexStep = 1 + random.nextInt(0x800);
    }

    String write() {
      int slots = random.nextInt(5);
      int modules = 1 + random.nextInt(3);
      StringBuilder devicePdos = new StringBuilder();
      pdos(devicePdos, 1 + random.nextInt(3), 0x1600, false, true);
      List<StringBuilder> moduleTexts = new ArrayList<>();
      List<List<Counted>> moduleOut = new ArrayList<>();
      List<List<Counted>> moduleIn = new ArrayList<>();
      for (int m = 0; m < modules; m++) {
        StringBuilder module = new StringBuilder();
        List<Counted> keptOut = List.copyOf(outputs);
        List<Counted> keptIn = List.copyOf(inputs);
        outputs.clear();
        inputs.clear();
        pdos(module, 1 + random.nextInt(2), 0x1620, true, true);
        moduleOut.add(List.copyOf(outputs));
        moduleIn.add(List.copyOf(inputs));
        outputs.clear();
        inputs.clear();
        outputs.addAll(keptOut);
        inputs.addAll(keptIn);
        moduleTexts.add(module);
      }
      StringBuilder slotText = new StringBuilder();
      for (int s = 0; s < slots; s++) {
        int which = random.nextInt(modules + 1) - 1;
        slotText.append("<Slot MinInstances=\"0\"><Name>S</Name>");
        for (int m = 0; m < modules; m++) {
          slotText
              .append("<ModuleIdent")
              .append(m == which ? " Default=\"1\"" : "")
              .append(">")
              .append(100 + m)
              .append("</ModuleIdent>");
        }
        slotText.append("</Slot>");
        if (which >= 0) {
          append(outputs, moduleOut.get(which), s);
          append(inputs, moduleIn.get(which), s);
        }
      }
      text.append(
              "<EtherCATInfo><Vendor><Id>#x7</Id><Name>V</Name></Vendor><Descriptions><Devices>")
          .append("<Device><Type ProductCode=\"9\" RevisionNo=\"1\">T</Type><Name>D</Name>")
          .append(devicePdos)
          .append(
              "<Slots SlotPdoIncrement=\"%d\" SlotIndexIncrement=\"%d\">"
                  .formatted(pdoStep, indexStep))
          .append(slotText)
          .append("</Slots></Device></Devices><Modules>");
      for (int m = 0; m < modules; m++) {
        text.append("<Module><Type ModuleIdent=\"#x%x\">M</Type><Name>M</Name>".formatted(100 + m))
            .append(moduleTexts.get(m))
            .append("</Module>");
      }
      return text.append("</Modules></Descriptions></EtherCATInfo>").toString();
    }

    private void append(List<Counted> side, List<Counted> module, int slot) {
      int from =
          side.isEmpty() ? 0 : side.get(side.size() - 1).bit() + side.get(side.size() - 1).bits();
      for (Counted each : module) {
        side.add(
            new Counted(
                each.pdo() + slot * pdoStep,
                each.index() == 0 ? 0 : each.index() + slot * indexStep,
                from + each.bit(),
                each.bits()));
      }
    }

    private void pdos(StringBuilder into, int count, int first, boolean moves, boolean assigned) {
      String depends = moves ? " DependOnSlot=\"true\"" : "";
      for (int i = 0; i < count; i++) {
        boolean isOutput = random.nextBoolean();
        boolean isIn = assigned && random.nextInt(4) > 0;
        int number = first + i + (isOutput ? 0 : 0x400);
        into.append(isOutput ? "<RxPdo" : "<TxPdo")
            .append(isIn ? " Sm=\"2\">" : ">")
            .append("<Index%s>#x%X</Index><Name>P</Name>".formatted(depends, number));
        int entries = 1 + random.nextInt(6);
        for (int e = 0; e < entries; e++) {
          int bits = BITS[random.nextInt(BITS.length)];
          boolean isGap = random.nextInt(5) == 0;
          int index = isGap ? 0 : 0x2000 + random.nextInt(0x3000);
          into.append(
              "<Entry><Index%s>%s</Index><SubIndex>1</SubIndex><BitLen>%d</BitLen><Name>E</Name></Entry>"
                  .formatted(
                      isGap ? "" : depends,
                      random.nextBoolean() ? "#x%X".formatted(index) : String.valueOf(index),
                      bits));
          if (isIn) {
            List<Counted> side = isOutput ? outputs : inputs;
            int at =
                side.isEmpty()
                    ? 0
                    : side.get(side.size() - 1).bit() + side.get(side.size() - 1).bits();
            side.add(new Counted(number, index, at, bits));
          }
        }
        into.append(isOutput ? "</RxPdo>" : "</TxPdo>");
      }
    }
  }

  private static DescriptionFile read(byte[] bytes) {
    return DescriptionFile.read("made.xml", new ByteArrayInputStream(bytes));
  }

  private static List<Counted> counted(List<ImagePlace> side) {
    return side.stream()
        .map(p -> new Counted(p.pdo(), p.entry().index(), p.bit(), p.entry().bitLength()))
        .toList();
  }

  @Test
  void everyOffsetIsTheOneItsWriterCounted() {
    int places = 0;
    for (int i = 0; i < MADE; i++) {
      Written written = new Written(i);
      String text = written.write();
      DescriptionFile file = read(text.getBytes(StandardCharsets.UTF_8));
      assertThat(file.faults()).as(text).isEmpty();
      ProcessImage image =
          ProcessImage.of(
              StationSetup.delivered(file.description(), file.description().devices().get(0)));
      assertThat(counted(image.outputs())).as(text).isEqualTo(written.outputs);
      assertThat(counted(image.side(Direction.INPUTS))).as(text).isEqualTo(written.inputs);
      places += image.outputs().size() + image.inputs().size();
    }
    System.out.printf("descriptions made: %d, places compared: %d%n", MADE, places);
    assertThat(places).isGreaterThan(MADE);
  }

  @Test
  void damagedFilesEndInFaultsAndNothingElse() throws Exception {
    Random random = new Random(7);
    int told = 0;
    for (int i = 0; i < DAMAGED; i++) {
      String name = ShippedDescriptions.NAMES.get(i % ShippedDescriptions.NAMES.size());
      byte[] bytes;
      try (var in = getClass().getResourceAsStream("/unimotus/esi/" + name + ".xml")) {
        bytes = in.readAllBytes();
      }
      int changes = 1 + random.nextInt(3);
      for (int c = 0; c < changes; c++) {
        bytes[random.nextInt(bytes.length)] = (byte) random.nextInt(256);
      }
      DescriptionFile file = read(bytes);
      told += file.faults().isEmpty() ? 0 : 1;
      assertThat(file.faults()).allMatch(f -> f.line() >= 0 && !f.problem().isBlank());
      file.description()
          .devices()
          .forEach(d -> ProcessImage.of(StationSetup.delivered(file.description(), d)));
    }
    System.out.printf("damaged descriptions: %d, with faults told: %d%n", DAMAGED, told);
    assertThat(told).isGreaterThan(DAMAGED / 4);
  }
}
