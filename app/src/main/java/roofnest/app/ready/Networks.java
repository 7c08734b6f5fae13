package roofnest.app.ready;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import org.springframework.stereotype.Service;

import roofnest.app.firm.NotForThisRole;
import roofnest.app.firm.Role;
import roofnest.app.household.Frame;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.NetworkRepository;
import roofnest.app.records.OtherThingRepository;
import roofnest.app.records.RouterRepository;
import roofnest.app.web.BadInput;
import roofnest.app.web.NoSuchPage;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.network.FitMatrix;
import roofnest.core.network.HomeNetwork;
import roofnest.core.network.NetworkChange;
import roofnest.core.network.WifiCode;
import roofnest.core.promise.Stage;
import roofnest.core.scan.Scan;

/** What is done to a house's networks: changes at the router noted, codes read, what a scan heard taken over. */
@Service
public class Networks {
    private final Changes changes;
    private final NetworkRepository networks;
    private final RouterRepository routers;
    private final OtherThingRepository otherThings;

    Networks(Changes changes, NetworkRepository networks, RouterRepository routers, OtherThingRepository otherThings) {
        this.changes = changes;
        this.networks = networks;
        this.routers = routers;
        this.otherThings = otherThings;
    }

    ReadyView.Stored stored(long householdId) {
        List<NetworkRepository.NetworkRow> rows = networks.all(householdId);
        return new ReadyView.Stored(rows, rows.stream().map(row -> networks.withPassword(householdId, row)).toList(),
                routers.of(householdId).makesNames(),
                otherThings.of(householdId));
    }

    /** Notes that these changes were made at the router. A network for cameras alone becomes a further one, which they join. */
    FitMatrix.Plan note(HouseholdRef ref, Frame frame, Set<NetworkChange> made) {
        HomeNetwork now = frame.facts().network().orElseThrow(NoSuchPage::new);
        NetworkRepository.NetworkRow row = networks.find(ref.id()).orElseThrow(NoSuchPage::new);
        FitMatrix.Plan plan = FitMatrix.with(List.copyOf(made), now, routers.of(ref.id()).makesNames(), ReadyView.devices(frame),
                frame.facts().otherThings());
        if (plan.changes().isEmpty()) {
            throw new BadInput("Tick a change first.");
        }
        if (plan.needsPassword()) {
            throw new BadInput("There is no password to start from. Type one for the network and save it.");
        }
        boolean another = plan.changes().contains(NetworkChange.CAMERA_NETWORK) || plan.changes().contains(NetworkChange.ACCESS_POINT);
        changes.run(ref, Stage.READY, () -> {
            mayChangePassword(ref, another ? 0 : row.id(), plan.after().password());
            networks.save(ref.id(), another ? 0 : row.id(), plan.after(), another ? 0 : row.version(), ref.by());
            if (plan.changes().contains(NetworkChange.PAIR_WITHOUT_5)) {
                networks.all(ref.id()).stream().filter(each -> each.name().equals(plan.after().name())).findFirst()
                        .ifPresent(each -> networks.switchFiveOff(ref.id(), each.id(), ref.by()));
            }
            if (another) {
                networks.all(ref.id()).stream().filter(each -> each.name().equals(plan.after().name())).findFirst()
                        .ifPresent(each -> networks.chooseForCameras(ref.id(), each.id()));
            }
        });
        return plan;
    }

    /**
     * Whoever may work may write a first password down; one that is written down is changed only by whoever may.
     *
     * @param password the new one; empty to take it out
     * @throws NotForThisRole when another one is written down, and this person may not change it
     */
    void mayChangePassword(HouseholdRef ref, long network, String password) {
        networks.all(ref.id()).stream().filter(row -> row.id() == network).findFirst().ifPresent(row -> {
            String now = networks.withPassword(ref.id(), row).password();
            if (!now.isEmpty() && !now.equals(password)) {
                NotForThisRole.unless(ref.staff(), Role.Permission.CHANGE_SECRETS, password.isEmpty()
                        ? "take out the network " + row.name() + " with its password" : "change the Wi-Fi password of " + row.name());
            }
        });
    }

    /** The text of a {@code WIFI:} code becomes a network, or the new password of the one of that name. */
    HomeNetwork takeCode(HouseholdRef ref, String text) {
        HomeNetwork read
                = WifiCode.read(text).orElseThrow(() -> new BadInput("This is not the code of a Wi-Fi; its text starts with WIFI:."));
        changes.run(ref, Stage.READY, () -> {
            networks.all(ref.id()).stream().filter(row -> row.name().equals(read.name()))
                    .forEach(row -> mayChangePassword(ref, row.id(), read.password()));
            networks.take(ref.id(), read, ref.by());
        });
        return read;
    }

    /** Bands and security of the cameras' network, as a scan heard them. */
    void takeAsHeard(HouseholdRef ref, Scan scan) {
        NetworkRepository.NetworkRow row = networks.find(ref.id()).orElseThrow(NoSuchPage::new);
        HomeNetwork now = networks.withPassword(ref.id(), row);
        Set<Band> heard = scan.bandsOf(row.name());
        if (heard.isEmpty()) {
            throw new BadInput("The scan did not hear " + row.name() + ".");
        }
        HomeNetwork after = now.withBands(EnumSet.copyOf(heard)).withSecurity(scan.securityOf(row.name()).orElse(now.security()));
        changes.run(ref, Stage.READY, () -> networks.save(ref.id(), row.id(), after, row.version(), ref.by()));
    }
}
