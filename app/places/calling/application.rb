module Places
  module Calling
    # Calls off a form with files while it is under way. It is told here whether anything
    # had come in by then; it waits for that, and so is no transaction of its own.
    class Application < Frame::Application
      set :in_transaction, false

      post("/call-off") do
        path, form = Frame::Address.local(param[:path]).to_s[/\A[^?]*/], param.text(:form)
        raise Magpie::Error, "There is nothing to call off" unless path.start_with?("/") && Frame::Once::KEY.match?(form)
        content_type :json
        JSON.generate(off: Answer.call_off(once_key(path, form)))
      end
    end
  end
end
