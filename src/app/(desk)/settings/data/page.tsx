import { screen } from '@/app/screen';
import { viewData } from '@/server/exchange/viewData';
import { DataScreen } from '@/ui/desk/exchange/DataScreen';
import { Shell } from '@/ui/desk/frame/Shell';
import { makeKeyAction, previewPolicyAction, revokeApiKeyAction, importPolicyAction } from './actions';

export default async function DataPage() {
  return screen(async (actor, context) => (
    <Shell here="/settings" actor={actor}>
      <DataScreen
        view={await viewData(context, actor)}
        makeKey={makeKeyAction}
        takeKeyBack={revokeApiKeyAction}
        previewPolicy={previewPolicyAction}
        importPolicy={importPolicyAction}
      />
    </Shell>
  ));
}
