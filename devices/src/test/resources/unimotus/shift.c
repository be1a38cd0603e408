/* A client of a general-purpose library in C, over TCP or a serial port: drives unit 1 through start, speed
   change, fault, reset and stop, then asks unit 2, a plain bank, with every function the library has.
   usage: shift tcp PORT | shift serial DEVICE BAUD */
#include <errno.h>
#include <modbus.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <unistd.h>

static modbus_t *c;

static void must(int ok, const char *what) {
  if (!ok) {
    printf("FAILED %s: %s\n", what, modbus_strerror(errno));
    exit(1);
  }
}

static int input(int address) {
  uint16_t r;
  must(modbus_read_input_registers(c, address, 1, &r) == 1, "read input register");
  return r;
}

static void word(int address, int value) { must(modbus_write_register(c, address, value) == 1, "write register"); }

static void drive(void) {
  int way[][2] = {{0x76, 0x21}, {0x77, 0x23}, {0x7f, 0x27}};
  word(1, 2000);
  printf("%02x\n", input(0) & 0x4f);
  for (int i = 0; i < 3; i++) {
    word(0, way[i][0]);
    must((input(0) & 0x6f) == way[i][1], "state");
  }
  usleep(800000);
  printf("%d\n", input(1));
  word(1, 1000);
  usleep(800000);
  printf("%d\n", input(1));
  word(2, 2); /* link time-out 0.2 s */
  usleep(500000);
  printf("%02x %d\n", input(0) & 0x4f, input(5));
  word(0, 0x80);
  printf("%02x\n", input(0) & 0x4f);
  word(2, 0);
  word(0, 0x76);
  word(0, 0x77);
  word(0, 0x7f);
  word(0, 0x77);
  printf("%02x\n", input(0) & 0x6f);
}

static void bank(void) {
  uint16_t r[125], w[123];
  uint8_t b[2000], set[1968];
  for (int i = 0; i < 123; i++) w[i] = 7 * i;
  for (int i = 0; i < 1968; i++) set[i] = i % 3 == 0;
  must(modbus_write_registers(c, 10, 123, w) == 123, "16");
  must(modbus_read_registers(c, 10, 123, r) == 123 && !memcmp(r, w, sizeof w), "03");
  must(modbus_read_registers(c, 0, 125, r) == 125, "03 most");
  must(modbus_read_input_registers(c, 0, 125, r) == 125, "04 most");
  must(modbus_write_bits(c, 5, 1968, set) == 1968, "15");
  must(modbus_read_bits(c, 5, 1968, b) == 1968 && !memcmp(b, set, sizeof set), "01");
  must(modbus_read_bits(c, 0, 2000, b) == 2000, "01 most");
  must(modbus_read_input_bits(c, 0, 2000, b) == 2000, "02 most");
  must(modbus_write_bit(c, 3, 1) == 1 && modbus_read_bits(c, 3, 1, b) == 1 && b[0] == 1, "05");
  word(4, 0x12);
  must(modbus_mask_write_register(c, 4, 0xf2, 0x25) == 1, "22");
  must(modbus_read_registers(c, 4, 1, r) == 1 && r[0] == 0x17, "22 worked example");
  must(modbus_write_and_read_registers(c, 20, 2, w + 1, 20, 3, r) == 3 && r[0] == 7 && r[1] == 14, "23");
  must(modbus_read_registers(c, 2990, 11, r) == -1 && errno == EMBXILADD, "exception 2");
  must(modbus_report_slave_id(c, sizeof r, (uint8_t *)r) == -1 && errno == EMBXILFUN, "exception 1");
  printf("bank\n");
}

int main(int argc, char **argv) {
  if (argc < 3) return 2;
  c = strcmp(argv[1], "tcp") ? modbus_new_rtu(argv[2], atoi(argv[3]), 'N', 8, 1) : modbus_new_tcp("127.0.0.1", atoi(argv[2]));
  must(c != NULL, "context");
  modbus_set_response_timeout(c, 2, 0);
  modbus_set_slave(c, 1);
  must(modbus_connect(c) == 0, "connect");
  drive();
  modbus_set_slave(c, 2);
  bank();
  modbus_close(c);
  modbus_free(c);
  return 0;
}
