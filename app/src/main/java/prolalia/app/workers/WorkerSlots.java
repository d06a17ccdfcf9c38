package prolalia.app.workers;

import java.util.Comparator;
import java.util.PriorityQueue;

/** Places at which work is done, a few at a time: first what somebody waits for, and of that first who came first. */
final class WorkerSlots {
    private static final Comparator<Ticket> ORDER =
            Comparator.comparing(Ticket::patient).thenComparingLong(Ticket::number);

    private final PriorityQueue<Ticket> waiting = new PriorityQueue<>(ORDER);
    private final int all;
    private int free;
    private long numbers;

    private record Ticket(boolean patient, long number) {}

    WorkerSlots(int all) {
        this.all = all;
        free = all;
    }

    int all() {
        return all;
    }

    /** Whether none is taken. */
    synchronized boolean areFree() {
        return free == all;
    }

    /**
     * Waits until so many are free, and takes them.
     *
     * @param patient whether whatever else comes in goes first
     */
    synchronized void take(int count, boolean patient) {
        Ticket ticket = new Ticket(patient, numbers++);
        waiting.add(ticket);
        boolean interrupted = false;
        while (!ticket.equals(waiting.peek()) || free < count) {
            try {
                wait();
            } catch (InterruptedException later) {
                interrupted = true;
            }
        }
        waiting.remove(ticket);
        free -= count;
        // The next one may find enough.
        notifyAll();
        if (interrupted) {
            Thread.currentThread().interrupt();
        }
    }

    synchronized void giveBack(int count) {
        free += count;
        notifyAll();
    }
}
