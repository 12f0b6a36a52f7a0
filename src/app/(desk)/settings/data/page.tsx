import { screen } from '@/app/screen';
import { viewData } from '@/server/exchange/viewData';
import { DataScreen } from '@/ui/desk/data/DataScreen';
import { Shell } from '@/ui/desk/frame/Shell';
import { makeKeyAction, previewPolicyAction, takeKeyBackAction, takePolicyAction } from './actions';

export default async function DataPage() {
  return screen(async (actor, context) => (
    <Shell here="/settings" actor={actor}>
      <DataScreen
        view={await viewData(context, actor)}
        makeKey={makeKeyAction}
        takeKeyBack={takeKeyBackAction}
        previewPolicy={previewPolicyAction}
        takePolicy={takePolicyAction}
      />
    </Shell>
  ));
}
