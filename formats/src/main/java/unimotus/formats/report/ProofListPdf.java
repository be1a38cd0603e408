package unimotus.formats.report;

import java.io.IOException;
import java.io.OutputStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import unimotus.core.proof.ProofList;

/** A proof list on A4, with room to write what was seen by hand. */
public final class ProofListPdf {
  private static final float SMALL = 8;
  private static final float NORMAL = 9.5f;
  private static final float LARGE = 15;
  private static final float INDENT = 22;

  private ProofListPdf() {}

  /**
   * Writes a list; the stream stays open.
   *
   * @throws IOException where it cannot be written
   */
  public static void write(ProofList list, OutputStream out) throws IOException {
    try (PDDocument document = new PDDocument()) {
      document.getDocumentInformation().setTitle("%s: %s".formatted(list.title(), list.axis()));
      try (Sheet sheet = new Sheet(document)) {
        sheet.text(list.title(), LARGE, 0, true);
        sheet.text("%s · %s".formatted(list.line(), list.axis()), NORMAL, 0, false);
        sheet.gap(6);
        for (String caution : list.cautions()) {
          sheet.text("! " + caution, SMALL, 0, false);
        }
        sheet.gap(4);
        String group = "";
        for (ProofList.Row row : list.rows()) {
          if (!row.group().equals(group)) {
            group = row.group();
            sheet.gap(6);
            sheet.text(group, NORMAL + 1, 0, true);
          }
          row(sheet, row);
        }
        sheet.gap(8);
        for (String remark : list.remarks()) {
          sheet.text(remark, NORMAL, 0, false);
        }
      }
      document.save(out);
    }
  }

  private static void row(Sheet sheet, ProofList.Row row) throws IOException {
    sheet.gap(3);
    sheet.keepTogether(4 * NORMAL * 1.5f);
    sheet.rule();
    sheet.text("%d   %s".formatted(row.number(), row.what()), NORMAL, 0, true);
    sheet.text(row.how(), SMALL, INDENT, false);
    sheet.text("%s, %s".formatted(row.where(), row.instrument()), SMALL, INDENT, false);
    String seen =
        row.reading().isEmpty()
            ? "________________________"
            : "%s (%s)".formatted(row.reading(), row.outcome());
    sheet.text(
        "expected  %s        seen  %s".formatted(row.expected(), seen), NORMAL, INDENT, false);
  }
}
