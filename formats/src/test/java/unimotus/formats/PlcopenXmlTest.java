package unimotus.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.time.Instant;
import java.util.List;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.xpath.XPath;
import javax.xml.xpath.XPathFactory;
import org.junit.jupiter.api.Test;
import org.w3c.dom.Document;
import unimotus.core.program.FunctionBlock;
import unimotus.core.program.Variable;
import unimotus.formats.plcopen.PlcopenXml;

/** Function blocks as XML; elements and their order by PLCopen TC6 2.01 (from memory). */
class PlcopenXmlTest {
  private static final FunctionBlock BLOCK =
      new FunctionBlock(
          "Drive_A",
          List.of("made < of & things"),
          List.of(new Variable("Run", "BOOL", "runs *) while TRUE")),
          List.of(new Variable("Word", "WORD", "")),
          List.of(new Variable("Timer", "TON", "")),
          List.of("IF Run THEN", "  Word := 16#0001;", "END_IF;"));

  private static String at(Document document, String path) throws Exception {
    XPath xpath = XPathFactory.newInstance().newXPath();
    return xpath.evaluate(path.replaceAll("/(\\w+)", "/*[local-name()='$1']"), document);
  }

  @Test
  void aBlockWithItsInterfaceAndBody() throws Exception {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    PlcopenXml.write("kelp", List.of(BLOCK), Instant.parse("2026-11-26T08:00:00Z"), out);
    DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
    factory.setNamespaceAware(true);
    Document document =
        factory.newDocumentBuilder().parse(new ByteArrayInputStream(out.toByteArray()));
    assertThat(document.getDocumentElement().getNamespaceURI())
        .isEqualTo("http://www.plcopen.org/xml/tc6_0201");
    assertThat(at(document, "/project/fileHeader/@creationDateTime"))
        .isEqualTo("2026-11-26T08:00:00Z");
    assertThat(at(document, "/project/types/pous/pou/@pouType")).isEqualTo("functionBlock");
    String pou = "/project/types/pous/pou";
    assertThat(at(document, "name(" + pou + "/interface/inputVars/variable/type/BOOL)"))
        .isEqualTo("BOOL");
    assertThat(at(document, pou + "/interface/localVars/variable/type/derived/@name"))
        .isEqualTo("TON");
    assertThat(at(document, pou + "/body/ST/xhtml")).isEqualTo("\n" + BLOCK.statements());
    assertThat(at(document, pou + "/documentation/xhtml")).isEqualTo("made < of & things");
    assertThat(at(document, pou + "/interface/inputVars/variable/documentation/xhtml"))
        .isEqualTo("runs *) while TRUE");
  }

  /** A comment ends with the first asterisk and bracket (IEC 61131-3, from memory). */
  @Test
  void noCommentEndsEarly() {
    assertThat(BLOCK.text()).contains("(* runs * ) while TRUE *)").startsWith("(* made < of");
    assertThat(BLOCK.text().lines()).contains("VAR_INPUT", "VAR_OUTPUT", "VAR", "END_VAR");
  }

  @Test
  void namesAreIdentifiers() {
    assertThat(Variable.named("2 Rinse-drum / kelp")).isEqualTo("N2_Rinse_drum_kelp");
    assertThatThrownBy(() -> new Variable("a__b", "INT", "")).hasMessageContaining("a__b");
  }
}
