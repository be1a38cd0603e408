package unimotus.benchmarks;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Objects;
import java.util.concurrent.TimeUnit;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import unimotus.formats.esi.DescriptionFile;

/**
 * A description of 50 MB imported, beside the same bytes streamed by and nothing done with them.
 */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 2, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class EsiBenchmark {
  private static final int BYTES = 50_000_000;

  private byte[] file;

  /** Repeats the devices of a shipped description until the file is long enough. */
  @Setup
  public void build() throws IOException {
    String text;
    try (InputStream in =
        Objects.requireNonNull(
            DescriptionFile.class.getResourceAsStream("/unimotus/esi/frequency-drive.xml"))) {
      text = new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
    int begin = text.indexOf("<Device ");
    int end = text.indexOf("</Devices>");
    String device = text.substring(begin, end);
    StringBuilder all = new StringBuilder(text.substring(0, begin));
    while (all.length() < BYTES) {
      all.append(device);
    }
    file = all.append(text.substring(end)).toString().getBytes(StandardCharsets.UTF_8);
  }

  /** Every event, nothing kept. */
  @Benchmark
  public int bareStream() throws XMLStreamException {
    XMLStreamReader xml =
        XMLInputFactory.newDefaultFactory().createXMLStreamReader(new ByteArrayInputStream(file));
    int events = 0;
    while (xml.hasNext()) {
      xml.next();
      events++;
    }
    return events;
  }

  /** The whole import. */
  @Benchmark
  public int imported() {
    DescriptionFile read = DescriptionFile.read("long.xml", new ByteArrayInputStream(file));
    if (!read.faults().isEmpty()) {
      throw new IllegalStateException(read.faults().get(0).getMessage());
    }
    return read.description().devices().size();
  }
}
