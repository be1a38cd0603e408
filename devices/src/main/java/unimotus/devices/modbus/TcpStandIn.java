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
import java.net.SocketTimeoutException;
import java.time.Duration;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.SynchronousQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import unimotus.devices.serial.SocketLine;

/**
 * Drives that answer on TCP. It listens on the loopback address unless told otherwise, serves a
 * bounded number of clients, closes those that are silent for long or send what is no frame, and
 * goes on serving the others.
 */
public final class TcpStandIn implements StandIn {
  private static final int MOST_CLIENTS = 64;
  private static final Duration SILENT = Duration.ofMinutes(1);

  /** How often it is looked for clients that are silent for too long. */
  private static final int LOOK_MILLISECONDS = 1_000;

  private static final int WAITING_CLIENTS = 16;
  private static final int BUFFER_BYTES = 1024;

  private final ServerSocket server;
  private final Map<Integer, Unit> units;
  private final Framing framing;
  private final Duration silent;
  private final Conduct conduct = new Conduct();

  /** Who is joined, and when it spoke last. */
  private final Map<Socket, Long> clients = new ConcurrentHashMap<>();

  private final ExecutorService threads =
      new ThreadPoolExecutor(
          // Those who were sent away take a moment to go.
          1, 2 * MOST_CLIENTS, 10, TimeUnit.SECONDS, new SynchronousQueue<>(), TcpStandIn::thread);

  /** How messages are framed on the connection. */
  public enum Framing {
    /** With the header of Modbus TCP. */
    TCP,
    /** As on a serial line: unit, message, check. */
    SERIAL
  }

  private TcpStandIn(
      ServerSocket server, Map<Integer, Unit> units, Framing framing, Duration silent) {
    this.server = server;
    this.silent = silent;
    this.framing = framing;
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
    return start(InetAddress.getLoopbackAddress(), port, units, Framing.TCP);
  }

  /**
   * Starts on an address.
   *
   * @throws IOException where address or port cannot be had
   */
  public static TcpStandIn start(
      InetAddress address, int port, Map<Integer, Unit> units, Framing framing) throws IOException {
    return start(address, port, units, framing, SILENT);
  }

  /** Starts, and sends clients away that are silent for so long. */
  static TcpStandIn start(
      InetAddress address, int port, Map<Integer, Unit> units, Framing framing, Duration silent)
      throws IOException {
    ServerSocket server = new ServerSocket();
    try {
      server.bind(new InetSocketAddress(address, port), WAITING_CLIENTS);
      server.setSoTimeout(LOOK_MILLISECONDS);
    } catch (IOException taken) {
      server.close();
      throw taken;
    }
    TcpStandIn standIn = new TcpStandIn(server, units, framing, silent);
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

  @Override
  public Route route() {
    String host = address().getHostAddress();
    return framing == Framing.TCP
        ? new Route.Tcp(host, port())
        : new Route.SerialOverTcp(host, port());
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
        sendAwaySilent();
        makeRoom();
        clients.put(client, System.nanoTime());
        try {
          threads.execute(() -> serve(client));
        } catch (RejectedExecutionException full) {
          close(client);
        }
      } catch (SocketTimeoutException nobodyCame) {
        sendAwaySilent();
      } catch (IOException closedOrFailed) {
        // A client that went away before it was taken is none; a closed server ends the loop.
        continue;
      }
    }
  }

  /**
   * Done from outside: a read that watches its own time asks the system three times for each
   * request.
   */
  private void sendAwaySilent() {
    long since = System.nanoTime() - silent.toNanos();
    clients.entrySet().stream()
        .filter(client -> client.getValue() - since < 0)
        .map(Map.Entry::getKey)
        .forEach(this::close);
  }

  /** Where all places are taken, whoever was silent for longest gives way: half-open ones too. */
  private void makeRoom() {
    if (clients.size() >= MOST_CLIENTS) {
      clients.entrySet().stream()
          .min(Map.Entry.comparingByValue())
          .map(Map.Entry::getKey)
          .ifPresent(this::close);
    }
  }

  private void serve(Socket client) {
    try (client) {
      if (framing == Framing.SERIAL) {
        new RtuExchange(new SocketLine(client), units, conduct)
            .serve(() -> !server.isClosed(), () -> heard(client), (int) silent.toMillis());
      } else {
        serveFrames(client);
      }
    } catch (IOException | FrameFault endsThisClient) {
      // What follows in such a stream cannot be trusted; the other clients are not touched.
      return;
    } finally {
      clients.remove(client);
    }
  }

  private boolean heard(Socket client) {
    clients.computeIfPresent(client, (c, before) -> System.nanoTime());
    return true;
  }

  private void serveFrames(Socket client) throws IOException, FrameFault {
    Arrived arrived = new Arrived(client.getInputStream());
    DataInputStream in = new DataInputStream(arrived);
    OutputStream out = new BufferedOutputStream(client.getOutputStream(), BUFFER_BYTES);
    for (TcpFrame asked = TcpFrame.read(in); asked != null; asked = TcpFrame.read(in)) {
      clients.computeIfPresent(client, (c, before) -> System.nanoTime());
      byte[] message = conduct.of(answer(asked));
      if (message != null) {
        out.write(new TcpFrame(asked.transaction(), asked.unit(), message).bytes());
      }
      if (arrived.isEmpty()) {
        out.flush();
      }
    }
  }

  @Override
  public void misbehave(Troubles next) {
    conduct.misbehave(next);
  }

  private byte[] answer(TcpFrame asked) {
    Unit unit = units.get(asked.unit());
    byte[] message = asked.message();
    Response response =
        unit == null
            ? new Response.Refusal(message[0] & 0x7F, ExceptionCode.GATEWAY_TARGET_FAILED)
            : Answering.answer(unit, message);
    return response.bytes();
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
    clients.keySet().forEach(this::close);
    threads.shutdownNow();
  }
}
