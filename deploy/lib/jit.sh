# How PHP compiles loops while it runs, everywhere the same: docs/decisions/007-jit.md.
# The limits are sixteen times what PHP begins with: the framework alone used them up, and then no loop of the core was compiled any more.

WELKION_JIT='-d opcache.jit=1054 -d opcache.jit_max_root_traces=16384 -d opcache.jit_max_side_traces=16384 -d opcache.jit_max_exit_counters=131072'
