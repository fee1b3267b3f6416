require "capybara/cuprite"

# The driver sends the browser a message for each little thing: which number a node has, which
# node has the number, whether it stands on the page, and then what is wanted of it; one each
# for what an object holds. They were a third of the time of a screen. Here what is found, and
# what is asked of a node, is one message each, and a node that stands no longer is refused as
# before: the driver's users look for it again.
module FewerMessages
  GONE = "the node stands on the page no longer".freeze
  STANDS = "if (!this.isConnected) throw new Error(#{GONE.to_json});".freeze
  STAND = <<~JS.freeze
    for (const each of arguments) if (each instanceof Node && !each.isConnected) throw new Error(#{GONE.to_json});
  JS

  # What is found: nothing, a node, or several.
  FIND = <<~JS.freeze
    const found = _cuprite.find(arguments[0], arguments[1], %s)
    return found.length > 1 ? found : found[0] ?? null
  JS

  # A value that is made of nothing but values is given whole.
  WHOLE = <<~JS.freeze
    function() {
      const whole = (value, around) => {
        if (value === null || typeof value !== "object") return !["function", "symbol", "bigint"].includes(typeof value)
        const kind = Object.getPrototypeOf(value)
        const plain = Array.isArray(value) || kind === Object.prototype || kind === null
        if (around.includes(value) || !plain) return false
        return Object.values(value).every(each => whole(each, [...around, value]))
      }
      return whole(this, []) ? { value: this } : {}
    }
  JS

  module_function

  # @yield what asks for a node by the name that the browser gave it
  # @raise [Ferrum::NodeNotFoundError] where the page of the node has gone
  def node_there
    yield
  rescue Ferrum::NoExecutionContextError => error
    raise Ferrum::NodeNotFoundError, error.response
  rescue Ferrum::BrowserError => error
    raise unless error.message == "Could not find object with given id"
    raise Ferrum::NodeNotFoundError, error.response
  end

  # What the driver wants to know of an element: its name is there, the rest is asked for when it is wanted.
  def described(name, page, object)
    known = {"nodeName" => name, "nodeType" => 1, "shadowRootType" => nil}
    known.default_proc = lambda do |hash, key|
      hash.default_proc = nil
      hash.merge!(node_there { page.command("DOM.describeNode", objectId: object)["node"] })
      hash[key]
    end
    known
  end

  # Of Ferrum::Node: the browser's own name for it, which stands until its page goes.
  module Named
    def named = @object_id
  end

  # Of Ferrum::Frame.
  module Asking
    # @return [Array<Ferrum::Node>]
    def nodes(method, selector, within)
      found = if within
        call(expression: "function() { #{STANDS} #{format(FIND, "this")} }", arguments: [method, selector], on: within)
      else
        call(expression: "function() { #{format(FIND, "document")} }", arguments: [method, selector])
      end
      [found].flatten.compact
    end

    def evaluate_on(node:, expression:, by_value: true, wait: 0)
      how = by_value ? {handle: false, returnByValue: true} : {handle: true}
      call(expression: "function() { #{STANDS} return #{expression} }", on: node, wait:, **how)
    end

    private

    def call(expression:, arguments: [], on: nil, wait: 0, handle: true, **options)
      if arguments.any?(Ferrum::Node)
        expression = "function() { #{STAND} return (#{expression}).apply(this, arguments) }"
      end
      return super(expression:, arguments:, wait:, handle:, **options) unless on
      response = FewerMessages.node_there do
        said = {functionDeclaration: expression, arguments: prepare_args(arguments)}
        @page.command("Runtime.callFunctionOn", wait:, slowmoable: true, objectId: on.named, **said, **options)
      end
      handle_error(response)
      handle ? handle_response(response["result"]) : response["result"]["value"]
    end

    def prepare_args(args) = args.map { |arg| arg.is_a?(Ferrum::Node) ? {objectId: arg.named} : super([arg]).first }

    def handle_error(response)
      description = response["result"]["description"]
      raise Ferrum::NodeNotFoundError, {"message" => GONE} if description&.start_with?("Error: #{GONE}")
      super
    end

    def handle_response(response, check_cyclic: true)
      return super unless response["type"] == "object"
      object, name = response.values_at("objectId", "description")
      case response["subtype"]
      when "node" then name.start_with?("#") ? super : element(object, name[/\A[^#.]+/])
      when "array", nil then check_cyclic ? whole(object) { super } : super
      else super
      end
    end

    def element(object, name)
      Ferrum::Node.new(self, @page.target_id, FewerMessages.described(name, @page, object), object_id: object)
    end

    # @yieldreturn what holds nodes, or itself
    def whole(object)
      said = {objectId: object, functionDeclaration: WHOLE, returnByValue: true}
      told = @page.command("Runtime.callFunctionOn", **said)["result"]["value"]
      told.key?("value") ? dense(told["value"]) : yield
    end

    # The driver leaves out of lists what is nothing.
    def dense(value)
      case value
      when Array then value.compact.map { |each| dense(each) }
      when Hash then value.transform_values { |each| dense(each) }
      else value
      end
    end
  end

  # Of Capybara::Cuprite::Page.
  module Finding
    def nodes(...) = active_frame.nodes(...)
  end

  # Of Capybara::Cuprite::Browser.
  module Within
    def find_within(node, method, selector) = find_all(method, selector, node)

    private

    def find_all(method, selector, within = nil)
      selector = selector.delete_suffix("[]") if method == :xpath # as the driver has it
      page.nodes(method, selector, within).select(&:node?)
    rescue Ferrum::JavaScriptError => error
      raise unless error.class_name == "InvalidSelector"
      raise Capybara::Cuprite::InvalidSelector.new(error.response, method, selector)
    end
  end

  # Of Capybara::Cuprite::Node: what these ask looks whether the node stands there.
  module Asked
    ALONE = %i[
      all_text visible_text property attribute attributes value visible? disabled? path obscured? parents find_within
    ].freeze

    def command(name, *args)
      return super unless ALONE.include?(name)
      begin
        browser.send(name, node, *args)
      rescue Ferrum::NodeNotFoundError => error
        raise Capybara::Cuprite::ObsoleteNode.new(self, error.response)
      end
    end
  end

  Ferrum::Node.prepend Named
  Ferrum::Frame.prepend Asking
  Capybara::Cuprite::Page.prepend Finding
  Capybara::Cuprite::Browser.prepend Within
  Capybara::Cuprite::Node.prepend Asked
end
