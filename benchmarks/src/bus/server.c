/* The reference: a Modbus TCP server on a known library, one thread, holding register n = n.
   usage: server PORT SECONDS */
#include <modbus.h>
#include <stdlib.h>
#include <sys/select.h>
#include <time.h>
#include <unistd.h>

int main(int argc, char **argv) {
  if (argc < 3) return 2;
  time_t end = time(NULL) + atoi(argv[2]);
  modbus_t *context = modbus_new_tcp("127.0.0.1", atoi(argv[1]));
  modbus_mapping_t *map = modbus_mapping_new(100, 100, 100, 100);
  for (int i = 0; i < 100; i++) map->tab_registers[i] = i;
  int listener = modbus_tcp_listen(context, 32), top = listener;
  if (listener < 0) return 1;
  fd_set all;
  FD_ZERO(&all);
  FD_SET(listener, &all);
  while (time(NULL) < end) {
    struct timeval tick = {1, 0};
    fd_set ready = all;
    if (select(top + 1, &ready, NULL, NULL, &tick) < 1) continue;
    for (int fd = 0; fd <= top; fd++) {
      if (!FD_ISSET(fd, &ready)) continue;
      if (fd == listener) {
        int from = listener, client = modbus_tcp_accept(context, &from);
        if (client >= 0) {
          FD_SET(client, &all);
          if (client > top) top = client;
        }
        continue;
      }
      uint8_t query[MODBUS_TCP_MAX_ADU_LENGTH];
      modbus_set_socket(context, fd);
      int length = modbus_receive(context, query);
      if (length > 0) modbus_reply(context, query, length, map);
      if (length < 0) {
        close(fd);
        FD_CLR(fd, &all);
      }
    }
  }
  return 0;
}
