"""serve.py INI: serves Plone by a child process, so that a reset needs no new start.

Loading Plone takes seconds; this process does it once, and a fork opens the database and serves it.
SIGUSR1 ends the child, so that the files of the database can be exchanged; the file run/web.rests says when it has ended.
SIGUSR2 begins another one.
"""
import os
import signal
import sys

from paste.deploy import loadapp, loadserver

ini = f"config:{sys.argv[1]}"
rests = os.path.join(os.environ["LAB_FOLDER"], "run/web.rests")
app = loadapp(ini)

import Zope2  # noqa: E402  it is complete once the app is loaded
from App.config import getConfiguration  # noqa: E402

dbtab = getConfiguration().dbtab


def close():
    for db in Zope2.opened:
        db.close()
    Zope2.opened[:] = []
    dbtab.databases.clear()


def serve():
    Zope2.DB = Zope2.bobo_application._db = dbtab.getDatabase("/", is_root=1)
    Zope2.opened[:] = [Zope2.DB]
    try:
        loadserver(ini)(app)
    finally:
        close()


signals = {signal.SIGUSR1, signal.SIGUSR2, signal.SIGCHLD}
close()
signal.signal(signal.SIGTERM, lambda *_: sys.exit())
signal.pthread_sigmask(signal.SIG_BLOCK, signals)
child, resting = None, False
while True:
    if child is None and not resting:
        if os.path.exists(rests):
            os.unlink(rests)
        child = os.fork()
        if child == 0:
            signal.pthread_sigmask(signal.SIG_UNBLOCK, signals)
            serve()
            break
    received = signal.sigwait(signals)
    if received == signal.SIGUSR1 and child:
        resting = True
        os.kill(child, signal.SIGTERM)
    elif received == signal.SIGUSR2:
        resting = False
    if child and os.waitpid(child, 0 if received == signal.SIGUSR1 else os.WNOHANG)[0]:
        child = None
        if not resting:
            sys.exit("the server ended by itself")
        open(rests, "w").close()
