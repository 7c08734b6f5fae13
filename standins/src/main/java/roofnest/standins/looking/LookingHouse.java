package roofnest.standins.looking;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

import roofnest.core.access.Access;
import roofnest.core.access.Kit;
import roofnest.core.access.LeavingPlan;
import roofnest.core.access.Secret;

/**
 * Phones that look through cameras. A phone remembers what it was told and stays signed in until it is signed out; a camera asks
 * for what is in force now. Nothing here reads the ledger again once the house is made.
 */
public final class LookingHouse {
    /** @param version how often the password was changed so far */
    private record Held(Secret.Kind kind, long id, int version) {}

    private static final class Device {
        private final Kit kit;
        private boolean factoryPassword;
        /** Accounts that it is in, and as what. */
        private final Map<Long, Access.Role> accounts = new HashMap<>();

        private Device(Kit kit) {
            this.kit = kit;
            this.factoryPassword = !kit.ownPassword();
        }
    }

    private final Map<Long, Device> devices = new HashMap<>();
    private final Map<String, Integer> inForce = new HashMap<>();
    private final Map<Long, Set<Held>> phones = new HashMap<>();
    private final Set<Long> linked = new HashSet<>();
    private final Map<Long, Access.Screen> screens = new HashMap<>();
    private final Map<Long, String> hubs = new HashMap<>();

    public LookingHouse(Access access, List<Kit> kit) {
        kit.forEach(each -> devices.put(each.cameraId(), new Device(each)));
        access.people().forEach(person -> phone(person.id()).add(held(Secret.Kind.ACCOUNT, person.id())));
        access.grants().stream().filter(grant -> devices.containsKey(grant.cameraId()))
                .forEach(grant -> devices.get(grant.cameraId()).accounts.put(grant.personId(), grant.role()));
        access.known().forEach(known -> {
            phone(known.personId()).add(held(known.secret().kind(), known.secret().id()));
            if (known.secret().kind() == Secret.Kind.HUB) {
                hubs.put(known.secret().id(), known.secret().hubModel());
            }
        });
        access.screens().forEach(screen -> {
            screens.put(screen.id(), screen);
            linked.add(screen.id());
        });
    }

    private Set<Held> phone(long person) {
        return phones.computeIfAbsent(person, each -> new HashSet<>());
    }

    private Held held(Secret.Kind kind, long id) {
        return new Held(kind, id, inForce.getOrDefault(kind + "-" + id, 0));
    }

    private void renew(Secret.Kind kind, long id) {
        inForce.merge(kind + "-" + id, 1, Integer::sum);
    }

    /** By what somebody's phone shows a camera, or empty when it is refused. */
    public Optional<String> look(long person, long cameraId) {
        Device device = devices.get(cameraId);
        for (Held held : phone(person)) {
            if (held.equals(held(held.kind(), held.id())) && opens(held, device)) {
                return Optional.of(held.kind() == Secret.Kind.ACCOUNT ? "signed in" : "by what was told");
            }
        }
        return Optional.empty();
    }

    private boolean opens(Held held, Device device) {
        return switch (held.kind()) {
            case ACCOUNT -> !device.kit.toldSecret() && device.accounts.containsKey(held.id());
            case DEVICE -> device.kit.toldSecret() && device.kit.cameraId() == held.id();
            case HUB -> device.kit.toldSecret() && device.kit.hub().filter(hub -> hub.equals(hubs.get(held.id()))).isPresent();
            case WIFI -> device.kit.joined() && device.factoryPassword;
        };
    }

    /** Whether a screen shows a camera to whoever stands before it. */
    public boolean shows(long screenId, long cameraId) {
        Access.Screen screen = screens.get(screenId);
        return linked.contains(screenId) && screen.cameraIds().contains(cameraId)
                && devices.get(cameraId).accounts.containsKey(screen.linkedBy());
    }

    /**
     * Does what a step of a leaving plan says.
     *
     * @param id what the step is about
     * @param heir to whom an account is given over
     */
    public void apply(LeavingPlan.Kind kind, long id, long leaver, long heir) {
        switch (kind) {
            case TAKE_BACK -> devices.get(id).accounts.remove(leaver);
            case UNLINK -> linked.remove(id);
            case ACCOUNT_OVER -> giveOver(devices.get(id).kit.maker(), leaver, heir);
            case ACCOUNT_PASSWORD -> {
                renew(Secret.Kind.ACCOUNT, id);
                // Its owner signs in again at once.
                phone(id).add(held(Secret.Kind.ACCOUNT, id));
            }
            case HUB_PASSWORD -> renew(Secret.Kind.HUB, id);
            case DEVICE_PASSWORD -> renew(Secret.Kind.DEVICE, id);
            case OWN_PASSWORD -> devices.get(id).factoryPassword = false;
            case WIFI_PASSWORD -> renew(Secret.Kind.WIFI, id);
            case RESET -> {
                Device device = devices.get(id);
                device.accounts.clear();
                device.factoryPassword = false;
                renew(Secret.Kind.DEVICE, id);
            }
            default -> throw new IllegalArgumentException("no stand-in does " + kind);
        }
    }

    /** An account holds all that its owner sees of one maker's cameras. */
    private void giveOver(String maker, long leaver, long heir) {
        devices.values().stream().filter(device -> device.kit.maker().equals(maker) && device.accounts.containsKey(leaver))
                .forEach(device -> {
                    Access.Role role = device.accounts.remove(leaver);
                    device.accounts.merge(heir, role, (before, given) -> before.compareTo(given) < 0 ? before : given);
                });
    }

    /** Does for those who stay what the changes made necessary. */
    public void apply(LeavingPlan.Need need, long person, long id, Access before) {
        switch (need) {
            case TELL_DEVICE -> phone(person).add(held(Secret.Kind.DEVICE, id));
            case TELL_HUB -> phone(person).add(held(Secret.Kind.HUB, id));
            case TELL_WIFI -> phone(person).add(held(Secret.Kind.WIFI, id));
            case SIGN_IN -> devices.values().stream().filter(device -> device.accounts.containsKey(id))
                    .forEach(device -> device.accounts.putIfAbsent(person, Access.Role.VIEWER));
            case GIVE_AGAIN -> devices.get(id).accounts.put(person,
                    before.grant(person, id).map(Access.Grant::role).orElse(Access.Role.VIEWER));
            case REJOIN -> {
                // Everything that was on the Wi-Fi is on it again.
            }
            default -> throw new IllegalArgumentException("no stand-in does " + need);
        }
    }
}
