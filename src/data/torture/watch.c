/* Loaded before a process's own libraries: writes down, in order, what it does to the files below one folder.
   The record is what a simulated power cut is made from. */
#define _GNU_SOURCE
#include <dlfcn.h>
#include <fcntl.h>
#include <pthread.h>
#include <stdarg.h>
#include <stdint.h>
#include <stdlib.h>
#include <string.h>
#include <sys/types.h>
#include <sys/uio.h>
#include <unistd.h>

#define MOST 4096
static char *paths[MOST];
static int out = -1;
static const char *below;
static pthread_mutex_t lock = PTHREAD_MUTEX_INITIALIZER;
static ssize_t (*real_write)(int, const void *, size_t);

__attribute__((constructor)) static void begin(void) {
  real_write = dlsym(RTLD_NEXT, "write");
  below = getenv("WATCH_FOLDER");
  const char *file = getenv("WATCH_RECORD");
  int (*real_open)(const char *, int, ...) = dlsym(RTLD_NEXT, "open");
  if (below && file) out = real_open(file, O_WRONLY | O_CREAT | O_APPEND, 0644);
}

static int ours(const char *path) { return out >= 0 && path && strncmp(path, below, strlen(below)) == 0; }

/* One record: kind, offset, then the lengths and bytes of a name and of what was written. */
static void put(char kind, int64_t at, const char *name, const void *data, uint32_t size) {
  uint32_t named = strlen(name) + 1;
  char head[17];
  head[0] = kind;
  memcpy(head + 1, &at, 8);
  memcpy(head + 9, &named, 4);
  memcpy(head + 13, &size, 4);
  pthread_mutex_lock(&lock);
  real_write(out, head, 17);
  real_write(out, name, named);
  if (size) real_write(out, data, size);
  pthread_mutex_unlock(&lock);
}

static const char *named(int fd) { return out >= 0 && fd >= 0 && fd < MOST ? paths[fd] : NULL; }

static void opened(int fd, const char *path, int flags) {
  if (fd < 0 || fd >= MOST) return;
  free(paths[fd]);
  paths[fd] = ours(path) ? strdup(path) : NULL;
  if (paths[fd] && (flags & (O_CREAT | O_TRUNC))) put(flags & O_TRUNC ? 'N' : 'O', 0, path, NULL, 0);
}

#define OPEN(name)                                                                                  \
  int name(const char *path, int flags, ...) {                                                      \
    static int (*real)(const char *, int, ...);                                                     \
    if (!real) real = dlsym(RTLD_NEXT, #name);                                                      \
    va_list more; va_start(more, flags); int mode = va_arg(more, int); va_end(more);                \
    int fd = real(path, flags, mode); opened(fd, path, flags); return fd; }
OPEN(open)
OPEN(open64)
#define OPENAT(name)                                                                                \
  int name(int at, const char *path, int flags, ...) {                                              \
    static int (*real)(int, const char *, int, ...);                                                \
    if (!real) real = dlsym(RTLD_NEXT, #name);                                                      \
    va_list more; va_start(more, flags); int mode = va_arg(more, int); va_end(more);                \
    int fd = real(at, path, flags, mode); opened(fd, path, flags); return fd; }
OPENAT(openat)
OPENAT(openat64)

int close(int fd) {
  static int (*real)(int);
  if (!real) real = dlsym(RTLD_NEXT, "close");
  if (fd >= 0 && fd < MOST && paths[fd]) { free(paths[fd]); paths[fd] = NULL; }
  return real(fd);
}

ssize_t write(int fd, const void *data, size_t size) {
  if (!real_write) real_write = dlsym(RTLD_NEXT, "write");
  const char *name = named(fd);
  int64_t at = 0;
  if (name) at = fcntl(fd, F_GETFL) & O_APPEND ? lseek(fd, 0, SEEK_END) : lseek(fd, 0, SEEK_CUR);
  ssize_t done = real_write(fd, data, size);
  if (name && done > 0) put('W', at, name, data, done);
  return done;
}
#define PWRITE(name, offset)                                                                        \
  ssize_t name(int fd, const void *data, size_t size, offset at) {                                  \
    static ssize_t (*real)(int, const void *, size_t, offset);                                      \
    if (!real) real = dlsym(RTLD_NEXT, #name);                                                      \
    ssize_t done = real(fd, data, size, at);                                                        \
    if (done > 0 && named(fd)) put('W', at, named(fd), data, done);                                 \
    return done; }
PWRITE(pwrite, off_t)
PWRITE(pwrite64, off64_t)
#define TRUNCATE(name, offset)                                                                      \
  int name(int fd, offset size) {                                                                   \
    static int (*real)(int, offset);                                                                \
    if (!real) real = dlsym(RTLD_NEXT, #name);                                                      \
    int done = real(fd, size);                                                                      \
    if (done == 0 && named(fd)) put('T', size, named(fd), NULL, 0);                                 \
    return done; }
TRUNCATE(ftruncate, off_t)
TRUNCATE(ftruncate64, off64_t)
#define SYNC(name)                                                                                  \
  int name(int fd) {                                                                                \
    static int (*real)(int);                                                                        \
    if (!real) real = dlsym(RTLD_NEXT, #name);                                                      \
    int done = real(fd);                                                                            \
    if (done == 0 && named(fd)) put('S', 0, named(fd), NULL, 0);                                    \
    return done; }
SYNC(fsync)
SYNC(fdatasync)

int rename(const char *from, const char *to) {
  static int (*real)(const char *, const char *);
  if (!real) real = dlsym(RTLD_NEXT, "rename");
  int done = real(from, to);
  if (done == 0 && ours(from)) put('R', 0, from, to, strlen(to) + 1);
  return done;
}
int unlink(const char *path) {
  static int (*real)(const char *);
  if (!real) real = dlsym(RTLD_NEXT, "unlink");
  int done = real(path);
  if (done == 0 && ours(path)) put('U', 0, path, NULL, 0);
  return done;
}
