package roofnest.app.pair;

import org.springframework.stereotype.Component;

import roofnest.app.records.CameraRepository;
import roofnest.app.records.CameraSetupRepository;
import roofnest.app.records.CardRepository;
import roofnest.app.records.DeviceBeforeRepository;
import roofnest.app.records.FootageRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.PoseReadingRepository;
import roofnest.core.judge.PictureSetup;
import roofnest.core.judge.Replacement;

/** Writes another device down in the place of one, over all tables that say how it is set. Called under the household's lock. */
@Component
class Settling {
    private final CameraRepository cameras;
    private final CameraSetupRepository setups;
    private final FootageRepository footage;
    private final CardRepository cards;
    private final PoseReadingRepository poses;
    private final DeviceBeforeRepository before;

    Settling(CameraRepository cameras, CameraSetupRepository setups, FootageRepository footage, CardRepository cards,
            PoseReadingRepository poses, DeviceBeforeRepository before) {
        this.cameras = cameras;
        this.setups = setups;
        this.footage = footage;
        this.cards = cards;
        this.poses = poses;
        this.before = before;
    }

    /** How the one before hung, and what was read of it, says nothing of the new one; its looks at the spot and its lead stay. */
    void over(HouseholdRef ref, CameraRepository.Record was, Replacement by, DeviceBeforeRepository.Row gone, boolean cardGoesOver,
            int version) {
        cameras.replace(ref.id(), by.camera(), version);
        by.camera().setup().ifPresent(set -> setups.set(ref.id(), was.id(), set));
        if (by.camera().setup().isEmpty() && was.camera().setup().isPresent()) {
            setups.set(ref.id(), was.id(), PictureSetup.usual(by.camera().model()));
        }
        footage.keep(ref.id(), was.id(), by.keeping());
        if (!cardGoesOver) {
            cards.forget(ref.id(), was.id());
        }
        poses.forget(ref.id(), was.id());
        before.add(ref.id(), gone);
    }
}
