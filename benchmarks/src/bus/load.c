/* The load: clients that read ten registers of unit 1 as fast as they are answered, plain sockets.
   usage: load PORT CLIENTS SECONDS; prints round trips a second */
#include <arpa/inet.h>
#include <netinet/tcp.h>
#include <pthread.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/socket.h>
#include <time.h>
#include <unistd.h>

static int port;
static double seconds;
static pthread_barrier_t go;

static double now(void) {
  struct timespec t;
  clock_gettime(CLOCK_MONOTONIC, &t);
  return t.tv_sec + t.tv_nsec * 1e-9;
}

static void *client(void *result) {
  struct sockaddr_in to = {.sin_family = AF_INET, .sin_port = htons(port), .sin_addr.s_addr = htonl(INADDR_LOOPBACK)};
  int s = socket(AF_INET, SOCK_STREAM, 0), one = 1;
  long n = 0;
  setsockopt(s, IPPROTO_TCP, TCP_NODELAY, &one, sizeof one);
  if (connect(s, (struct sockaddr *)&to, sizeof to)) exit(1);
  pthread_barrier_wait(&go);
  double begun = now(), end = begun + seconds;
  while (now() < end) {
    unsigned char ask[12] = {n >> 8, n, 0, 0, 0, 6, 1, 3, 0, 0, 0, 10}, answer[64];
    int got = 0, k = 1;
    if (send(s, ask, sizeof ask, 0) != sizeof ask) exit(1);
    while (got < 29 && (k = recv(s, answer + got, sizeof answer - got, 0)) > 0) got += k;
    if (got != 29 || memcmp(ask, answer, 2) || answer[7] != 3) exit(1);
    n++;
  }
  *(double *)result = n / (now() - begun);
  close(s);
  return NULL;
}

int main(int argc, char **argv) {
  if (argc < 4) return 2;
  port = atoi(argv[1]);
  int clients = atoi(argv[2]);
  seconds = atof(argv[3]);
  pthread_t threads[64];
  double rates[64], all = 0;
  pthread_barrier_init(&go, NULL, clients);
  for (int i = 0; i < clients; i++) pthread_create(&threads[i], NULL, client, &rates[i]);
  for (int i = 0; i < clients; i++) {
    pthread_join(threads[i], NULL);
    all += rates[i];
  }
  printf("%.0f\n", all);
  return 0;
}
