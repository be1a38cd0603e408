package unimotus.devices.modbus;

import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.DataInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.SynchronousQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;

/**
 * Drives that answer on TCP. It listens on the loopback address unless told otherwise, serves a
 * bounded number of clients, closes those that are silent for long or send what is no frame, and
 * goes on serving the others.
 */
public final class TcpStandIn implements AutoCloseable {
  private static final int MOST_CLIENTS = 64;
  private static final int SILENT_MILLISECONDS = 60_000;
  private static final int WAITING_CLIENTS = 16;
  private static final int BUFFER_BYTES = 1024;

  private final ServerSocket server;
  private final Map<Integer, Unit> units;
  private final AtomicInteger requests = new AtomicInteger();
  private volatile Troubles troubles = Troubles.NONE;
  private final Set<Socket> clients = ConcurrentHashMap.newKeySet();
  private final ExecutorService threads =
      new ThreadPoolExecutor(
          1, MOST_CLIENTS + 1, 10, TimeUnit.SECONDS, new SynchronousQueue<>(), TcpStandIn::thread);

  private TcpStandIn(ServerSocket server, Map<Integer, Unit> units) {
    this.server = server;
    this.units = Map.copyOf(units);
  }

  private static Thread thread(Runnable work) {
    Thread thread = new Thread(work, "stand-in");
    thread.setDaemon(true);
    return thread;
  }

  /**
   * Starts on the loopback address.
   *
   * @param port 0 for any that is free
   * @param units the devices by unit number
   * @throws IOException where the port is taken
   */
  public static TcpStandIn start(int port, Map<Integer, Unit> units) throws IOException {
    return start(InetAddress.getLoopbackAddress(), port, units);
  }

  /**
   * Starts on an address.
   *
   * @throws IOException where address or port cannot be had
   */
  public static TcpStandIn start(InetAddress address, int port, Map<Integer, Unit> units)
      throws IOException {
    ServerSocket server = new ServerSocket();
    try {
      server.bind(new InetSocketAddress(address, port), WAITING_CLIENTS);
    } catch (IOException taken) {
      server.close();
      throw taken;
    }
    TcpStandIn standIn = new TcpStandIn(server, units);
    standIn.threads.execute(standIn::accept);
    return standIn;
  }

  /** The port it listens on. */
  public int port() {
    return server.getLocalPort();
  }

  /** The address it listens on. */
  public InetAddress address() {
    return server.getInetAddress();
  }

  /** How many clients are joined now. */
  public int clients() {
    return clients.size();
  }

  /** Knows without asking the system whether another request has arrived already. */
  private static final class Arrived extends BufferedInputStream {
    Arrived(InputStream in) {
      super(in, BUFFER_BYTES);
    }

    synchronized boolean isEmpty() {
      return pos >= count;
    }
  }

  private void accept() {
    while (!server.isClosed()) {
      try {
        Socket client = server.accept();
        client.setTcpNoDelay(true);
        client.setSoTimeout(SILENT_MILLISECONDS);
        clients.add(client);
        try {
          threads.execute(() -> serve(client));
        } catch (RejectedExecutionException full) {
          close(client);
        }
      } catch (IOException closedOrFailed) {
        // A client that went away before it was taken is none; a closed server ends the loop.
        continue;
      }
    }
  }

  private void serve(Socket client) {
    try (client) {
      Arrived arrived = new Arrived(client.getInputStream());
      DataInputStream in = new DataInputStream(arrived);
      OutputStream out = new BufferedOutputStream(client.getOutputStream(), BUFFER_BYTES);
      for (TcpFrame asked = TcpFrame.read(in); asked != null; asked = TcpFrame.read(in)) {
        answer(asked, out);
        if (arrived.isEmpty()) {
          out.flush();
        }
      }
    } catch (IOException | FrameFault endsThisClient) {
      // What follows in such a stream cannot be trusted; the other clients are not touched.
      return;
    } finally {
      clients.remove(client);
    }
  }

  /** Answers, or misbehaves as it was told to. */
  private void answer(TcpFrame asked, OutputStream out) throws IOException {
    Troubles now = troubles;
    byte[] bytes = answer(asked).bytes();
    if (!now.equals(Troubles.NONE)) {
      int number = requests.incrementAndGet();
      pause(now.delayMilliseconds());
      if (now.drops(number)) {
        return;
      }
      if (now.spoils(number)) {
        bytes[bytes.length - 1 - (bytes.length - TcpFrame.HEADER) / 2] ^= 0x55;
        bytes[TcpFrame.HEADER] ^= 0x10;
      }
    }
    out.write(bytes);
  }

  private static void pause(int milliseconds) throws IOException {
    try {
      Thread.sleep(milliseconds);
    } catch (InterruptedException closed) {
      Thread.currentThread().interrupt();
      throw new IOException("closed while an answer was delayed", closed);
    }
  }

  /** Misbehaves from now on, or behaves again with {@link Troubles#NONE}. */
  public void misbehave(Troubles next) {
    requests.set(0);
    troubles = next;
  }

  private TcpFrame answer(TcpFrame asked) {
    Unit unit = units.get(asked.unit());
    byte[] message = asked.message();
    Response response =
        unit == null
            ? new Response.Refusal(message[0] & 0x7F, ExceptionCode.GATEWAY_TARGET_FAILED)
            : Answering.answer(unit, message);
    return new TcpFrame(asked.transaction(), asked.unit(), response.bytes());
  }

  private void close(Socket client) {
    clients.remove(client);
    try {
      client.close();
    } catch (IOException gone) {
      // It is closed all the same.
      return;
    }
  }

  @Override
  public void close() throws IOException {
    server.close();
    clients.forEach(this::close);
    threads.shutdownNow();
  }
}
