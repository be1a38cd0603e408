package unimotus.devices.ethercat.wire;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.PortUnreachableException;
import java.net.StandardSocketOptions;
import java.nio.ByteBuffer;
import java.nio.channels.DatagramChannel;
import java.nio.channels.SelectionKey;
import java.nio.channels.Selector;
import org.jspecify.annotations.Nullable;

/** Telegrams in UDP packets. */
public final class UdpWire implements Wire {
  private static final int MOST = 1500;
  private static final int NANOS_PER_MILLI = 1_000_000;

  private final DatagramChannel channel;
  private final Selector selector;
  private final InetSocketAddress to;
  private final ByteBuffer in = ByteBuffer.allocate(MOST);

  private UdpWire(DatagramChannel channel, Selector selector, InetSocketAddress to) {
    this.channel = channel;
    this.selector = selector;
    this.to = to;
  }

  /**
   * A wire to an address.
   *
   * @throws IOException where there is no such address, or no port is free
   */
  public static UdpWire to(String host, int port) throws IOException {
    InetSocketAddress to = new InetSocketAddress(host, port);
    if (to.isUnresolved()) {
      throw new IOException("'%s' is not a known address".formatted(host));
    }
    DatagramChannel channel = DatagramChannel.open();
    Selector selector = Selector.open();
    channel.setOption(StandardSocketOptions.SO_RCVBUF, 1 << 18);
    channel.configureBlocking(false);
    channel.connect(to);
    channel.register(selector, SelectionKey.OP_READ);
    return new UdpWire(channel, selector, to);
  }

  @Override
  public void send(byte[] telegram) throws IOException {
    try {
      channel.write(ByteBuffer.wrap(telegram));
    } catch (PortUnreachableException earlier) {
      // The refusal belongs to an earlier packet.
      channel.write(ByteBuffer.wrap(telegram));
    }
  }

  @Override
  public byte @Nullable [] receive(long nanos) throws IOException {
    long end = System.nanoTime() + nanos;
    while (true) {
      in.clear();
      int length;
      try {
        length = channel.read(in);
      } catch (PortUnreachableException nobody) {
        throw new IOException("%s: nothing listens there".formatted(this), nobody);
      }
      if (length > 0) {
        byte[] telegram = new byte[length];
        in.flip().get(telegram);
        return telegram;
      }
      long left = end - System.nanoTime();
      if (left <= 0) {
        return null;
      }
      selector.select(Math.max(1, left / NANOS_PER_MILLI));
      selector.selectedKeys().clear();
    }
  }

  @Override
  public void close() throws IOException {
    selector.close();
    channel.close();
  }

  @Override
  public String toString() {
    return "%s:%d".formatted(to.getHostString(), to.getPort());
  }
}
