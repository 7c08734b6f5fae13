package roofnest.app.share;

import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

import roofnest.app.records.ResidentRepository;
import roofnest.app.household.Frame;
import roofnest.core.access.Access;
import roofnest.core.access.Secret;
import roofnest.core.catalogue.Sharing;
import roofnest.core.judge.Camera;

/** People by cameras. */
record ShareView(List<Column> cameras, List<Row> rows, List<Access.Role> roles) {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

    record Column(long id, String name, String model, String how) {}

    /**
     * @param flag why this person's access has to end; empty when it may stay
     * @param invitation how far their invitation is
     */
    record Row(long id, String name, String email, String tie, String flag, String invitation, boolean canInvite, List<Cell> cells) {}

    /** @param note of kit that is shared by telling its password: whether they know it */
    record Cell(long cameraId, String role, String from, String until, boolean alerts, String note) {}

    static ShareView of(Frame frame, List<ResidentRepository.Resident> residents, Map<Long, Invitations.State> invitations) {
        Access access = frame.facts().access();
        List<Camera> cameras = frame.facts().cameras();
        Map<Long, String> flags = frame.facts().intruders().stream()
                .collect(Collectors.toMap(intruder -> intruder.person().id(), Access.Intruder::why));
        List<Row> rows = residents.stream().map(resident -> row(resident, access, cameras, flags, invitations)).toList();
        return new ShareView(cameras.stream().map(camera -> new Column(
                camera.id(), camera.name(), camera.model().fullName(), camera.model().sharing().words())).toList(), rows,
                List.of(Access.Role.values()));
    }

    private static String note(Access access, long person, Camera camera, boolean given) {
        if (camera.model().sharing() != Sharing.TOLD_SECRET) {
            return "";
        }
        boolean knows = access.known().stream().anyMatch(known -> known.personId() == person
                && known.secret().kind() == Secret.Kind.DEVICE && known.secret().id() == camera.id());
        return knows ? "knows its password" : given ? "still to be told its password" : "";
    }

    private static Row row(
            ResidentRepository.Resident resident, Access access, List<Camera> cameras, Map<Long, String> flags,
            Map<Long, Invitations.State> invitations) {
        List<Cell> cells = cameras.stream().map(camera -> {
            Optional<Access.Grant> grant = access.grant(resident.id(), camera.id());
            return new Cell(camera.id(), grant.map(g -> g.role().name()).orElse(""),
                    grant.flatMap(Access.Grant::from).map(DAY::format).orElse(""),
                    grant.flatMap(Access.Grant::until).map(DAY::format).orElse(""), grant.map(Access.Grant::alerts).orElse(true),
                    note(access, resident.id(), camera, grant.isPresent()));
        }).toList();
        boolean hasAccess = cells.stream().anyMatch(cell -> !cell.role().isEmpty());
        String tie = resident.leftOn() == null ? resident.tie().words() : "left on " + resident.leftOn().format(DAY);
        return new Row(resident.id(), resident.name(), resident.email(), tie, flags.getOrDefault(resident.id(), ""),
                invitations.containsKey(resident.id()) ? invitations.get(resident.id()).words() : "",
                hasAccess && !resident.email().isBlank() && resident.tie() != Access.Tie.LEFT && resident.tie() != Access.Tie.FIRM, cells);
    }
}
