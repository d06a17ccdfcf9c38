package prolalia.app.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import prolalia.app.account.Actor.Phone;
import prolalia.app.account.Actor.Teacher;

/**
 * A read-through whose microphone is a phone: what the phone and the computer say to each other, in memory alone, since it
 * ends with the read-through. Recordings go the way of all recordings.
 */
final class PhoneLink {
    /** The computer asks every few seconds; when it has been silent for this long, its page is closed. */
    private static final long COMPUTER_GONE_MS = 180_000;

    /** More that nobody has fetched is old. */
    private static final int MOST_HELD = 200;

    /** A page waits once. */
    private static final int MOST_WAITING = 8;

    /** Who may wait for messages. */
    enum Side {
        COMPUTER,
        PHONE
    }

    /**
     * Something said to the other side.
     *
     * @param number counts up from 1 on each side
     * @param says as the browser's scripts understand it
     */
    record Message(long number, Map<String, String> says) {}

    private final Teacher teacher;
    private final String lessonId;
    private final List<String> lineIds;
    private final long openedAt;
    private final Set<String> recordings = ConcurrentHashMap.newKeySet();
    private final Mailbox toComputer = new Mailbox();
    private final Mailbox toPhone = new Mailbox();
    private String phone;
    private boolean ended;
    private long computerSeen;

    PhoneLink(Teacher teacher, String lessonId, List<String> lineIds, long now) {
        this.teacher = teacher;
        this.lessonId = lessonId;
        this.lineIds = List.copyOf(lineIds);
        openedAt = now;
        computerSeen = now;
    }

    long openedAt() {
        return openedAt;
    }

    Teacher teacher() {
        return teacher;
    }

    /** As whom it acts. */
    Phone actor() {
        return new Phone(teacher, lessonId, Set.copyOf(lineIds));
    }

    String lessonId() {
        return lessonId;
    }

    List<String> lineIds() {
        return lineIds;
    }

    synchronized void computerIsThere(long now) {
        computerSeen = now;
    }

    synchronized boolean isOpen(long now) {
        return !ended && now - computerSeen < COMPUTER_GONE_MS;
    }

    /** The computer's page is closed, or it is its own microphone again. */
    void end() {
        synchronized (this) {
            ended = true;
        }
        toPhone.add(Map.of("kind", "ended"));
        toComputer.add(Map.of("kind", "ended"));
    }

    /** From now on this phone is the microphone; the one before it isn't any more. */
    synchronized void join(String phoneId) {
        phone = phoneId;
        toPhone.add(Map.of("kind", "joined", "phone", phoneId));
        toComputer.add(Map.of("kind", "joined", "phone", phoneId));
    }

    synchronized boolean isMicrophone(String phoneId) {
        return phoneId.equals(phone);
    }

    /** Whether a recording was begun while the read-through was open; its rest may come in whenever it comes. */
    boolean knows(String recordingId) {
        return recordings.contains(recordingId);
    }

    void begins(String recordingId) {
        recordings.add(recordingId);
    }

    void say(Side to, Map<String, String> words) {
        mailbox(to).add(words);
    }

    /**
     * Tells what came after a message, once: now, or as soon as something comes.
     *
     * @return takes back that somebody waits
     */
    Runnable listen(Side side, long after, Consumer<List<Message>> told) {
        return mailbox(side).listen(after, told);
    }

    private Mailbox mailbox(Side side) {
        return side == Side.COMPUTER ? toComputer : toPhone;
    }

    private static final class Mailbox {
        private final List<Message> messages = new ArrayList<>();
        private final List<Waiting> waiting = new ArrayList<>();
        private long last;

        private record Waiting(long after, Consumer<List<Message>> told) {}

        synchronized void add(Map<String, String> words) {
            messages.add(new Message(++last, whole(words)));
            if (messages.size() > MOST_HELD) {
                messages.remove(0);
            }
            List<Waiting> told = List.copyOf(waiting);
            waiting.clear();
            told.forEach(each -> each.told().accept(after(each.after())));
        }

        /** What somebody sent may hold a null. */
        private static Map<String, String> whole(Map<String, String> words) {
            return words.entrySet().stream()
                    .filter(each -> each.getKey() != null && each.getValue() != null)
                    .collect(Collectors.toUnmodifiableMap(Map.Entry::getKey, Map.Entry::getValue));
        }

        synchronized Runnable listen(long after, Consumer<List<Message>> told) {
            if (last > after) {
                told.accept(after(after));
                return () -> {};
            }
            Waiting one = new Waiting(after, told);
            waiting.add(one);
            if (waiting.size() > MOST_WAITING) {
                waiting.remove(0).told().accept(List.of());
            }
            return () -> forget(one);
        }

        private synchronized void forget(Waiting one) {
            waiting.remove(one);
        }

        private List<Message> after(long number) {
            return messages.stream()
                    .filter(message -> message.number() > number)
                    .toList();
        }
    }
}
